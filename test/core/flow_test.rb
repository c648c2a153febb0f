# frozen_string_literal: true

require_relative "../test_helper"
require "numo/narray"

class FlowTest < Minitest::Test
  Flow = IronTrellis::Core::Graph::Flow

  def between(groups, count, links, shares)
    sources, targets = [0, 1].map { |side| Numo::Int32.cast(links.map { |link| link[side] }) }
    Flow
      .between(Numo::Int32.cast(groups), count, sources, targets, Numo::DFloat.cast(shares))
      .map { |one| one.to_h.values }
  end

  # Pages 0 and 1 are of group 0, page 2 of group 1; page 0 parts its half between two links.
  def test_each_page_parts_its_share_among_its_links
    assert_equal [[0, 0, 1, 0.25], [0, 1, 1, 0.25], [1, 0, 1, 0.2]],
      between([0, 0, 1], 2, [[0, 1], [0, 2], [2, 0]], [0.5, 0.3, 0.2])
  end

  def test_without_links_nothing_flows
    assert_empty Flow.between(Numo::Int32[0], 1, Numo::Int32[], Numo::Int32[], Numo::DFloat[1.0])
  end
end
