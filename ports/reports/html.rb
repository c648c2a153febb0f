# frozen_string_literal: true

require "erb"

module IronTrellis
  module Ports
    module Reports
      # A report as a page that stands alone, made for A4.
      module Html
        ENDING = "html"
        TYPE = "text/html; charset=utf-8"
        TEMPLATE = ERB.new(File.read(File.join(__dir__, "report.html.erb")), trim_mode: "-")
        BAR = 260

        module_function

        # @param paper [Paper]
        # @return [String]
        def write(paper) = Page.new(paper).to_s

        # What the template sees.
        class Page
          def initialize(paper)
            @paper = paper
          end

          # @return [String]
          def to_s = TEMPLATE.result(binding)

          private

          def h(text) = ERB::Util.html_escape(text.to_s)

          def paragraphs(text) = text.split(/\R{2,}/).map { |one| "<p>#{h(one).gsub(/\R/, "<br>")}</p>" }.join

          def most = [@paper.stops.flat_map { |_, *numbers| numbers }.max.to_i, 1].max

          def width(number) = (BAR * number / most.to_f).round(1)

          def rung(name) = Core::Ladder::Climb::CAUSES.fetch(name)

          def number?(value) = value.is_a?(Numeric)
        end
      end
    end
  end
end
