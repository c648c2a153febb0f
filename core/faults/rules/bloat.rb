# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A group of whose pages in the index many are to be kept out, or are never shown.
        class Bloat < GroupRule
          CODE = "bloat"
          TITLE = "A group of pages fills the index and is of no use"
          ABOUT = "Group"
          GRADE = "weakens"
          WHY =
            "What the index fetches and keeps of a site is bounded: useless pages take the place of others and weigh " \
            "on what is thought of the site."
          FIX = "Keep the group out by noindex, or make its pages worth finding."
          KIND = "directives"
          TASK = "Add noindex"
          CLOSES = true
          SOURCE = "CP"
          DETAILS = {"in_index" => ["In the index", :number], "useless" => ["Of use to nobody", :number]}.freeze

          def check(group, basis)
            return unless basis.covers_middle && group.useless >= settings.bloat_pages
            return unless group.useless > group.in_index * settings.bloat_share

            fault_at(nil, about: group.name, in_index: group.in_index, useless: group.useless)
          end
        end
      end
    end
  end
end
