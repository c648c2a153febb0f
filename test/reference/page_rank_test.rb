# frozen_string_literal: true

require_relative "../test_helper"
require "numo/narray"
require "open3"

# Sources: npm's graphology-metrics and Debian's networkx (PageRank of Brin and Page 1998 by power iteration, dangling
# nodes spread evenly), on graphs made up by a fixed seed: sparse and dense ones, with pages that nothing links to,
# pages without links out, circles and islands.
class PageRankTest < Minitest::Test
  GRAPHS = [[1, 0], [2, 1], [5, 4], [30, 40], [30, 400], [200, 150], [200, 3000], [800, 6000]].freeze
  NEAR = 1e-6

  def graphs
    random = Random.new(7410)
    GRAPHS.map do |nodes, links|
      drawn = Array.new(links) { [random.rand(nodes), (random.rand**2 * nodes).floor] }
      {nodes: nodes, links: drawn.reject { |source, target| source == target }.uniq}
    end
  end

  def test_shares_and_their_order_are_those_of_graphology = assert_same_as("node", "graphology.mjs")

  def test_shares_and_their_order_are_those_of_networkx = assert_same_as("/usr/bin/python3", "networkx_pagerank.py")

  private

  def assert_same_as(program, script)
    theirs =
      Open3
        .capture2(program, File.join(__dir__, script), stdin_data: graphs.map { |one| JSON.generate(one) }.join("\n"))
        .first
        .lines
        .map { |line| JSON.parse(line) }
    assert_equal GRAPHS.size, theirs.size

    graphs.zip(theirs) do |graph, expected|
      shares = ours(graph)
      assert_in_delta 1.0, shares.sum, NEAR
      shares.zip(expected) { |share, other| assert_in_delta other, share, NEAR, graph[:nodes] }
      assert_equal order(expected), order(shares)
    end
  end

  def ours(graph)
    sources, targets = [0, 1].map { |side| Numo::Int32.cast(graph[:links].map { |link| link[side] }) }
    IronTrellis::Core::Graph::Authority.of(graph[:nodes], sources, targets).to_a
  end

  # Shares that are equal but for rounding stand in the order of the nodes.
  def order(shares) = shares.each_index.sort_by { |node| [-shares[node].round(8), node] }
end
