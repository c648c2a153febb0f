// Reads lines of JSON {nodes, links} and writes the PageRank that npm's graphology works out for each node, damping 0.85.
import { createInterface } from "node:readline";
import { createRequire } from "node:module";

const require = createRequire(new URL("../../web/package.json", import.meta.url));
const { DirectedGraph } = require("graphology");
const pagerank = require("graphology-metrics/centrality/pagerank");

for await (const line of createInterface({ input: process.stdin })) {
  const { nodes, links } = JSON.parse(line);
  const graph = new DirectedGraph();
  for (let node = 0; node < nodes; node += 1) graph.addNode(String(node));
  for (const [source, target] of links) graph.addEdge(String(source), String(target));
  const ranks = pagerank(graph, { alpha: 0.85, tolerance: 1e-13, maxIterations: 1000, getEdgeWeight: null });
  console.log(JSON.stringify(Array.from({ length: nodes }, (_, node) => ranks[String(node)])));
}
