# Reads lines of JSON {nodes, links} and writes the PageRank that networkx works out for each node, damping 0.85. Its own power iteration in Python is
# taken, since the usual one needs scipy besides.
import json
import sys

import networkx
from networkx.algorithms.link_analysis.pagerank_alg import _pagerank_python

for line in sys.stdin:
    given = json.loads(line)
    graph = networkx.DiGraph()
    graph.add_nodes_from(range(given["nodes"]))
    graph.add_edges_from(given["links"])
    ranks = _pagerank_python(graph, alpha=0.85, tol=1e-13, max_iter=1000)
    print(json.dumps([ranks[node] for node in range(given["nodes"])]))
