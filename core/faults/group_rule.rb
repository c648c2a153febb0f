# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A rule on a page group as a whole, by what evidence says of its URLs. Its faults are about the group and have no
      # URL.
      class GroupRule < Rule
        # A group: its name, how many of its URLs are in the index, and how many of those are of no use: to be kept out,
        # or without clicks and impressions in the middle window.
        Group = Struct.new(:name, :in_index, :useless, keyword_init: true)

        # @param group [Group]
        # @param basis [Core::Evidence::Basis]
        # @return [Fault, nil]
        def check(group, basis) =
          raise(NoMethodError, "#{self.class} must define check(group, basis), not #{group}#{basis}")
      end
    end
  end
end
