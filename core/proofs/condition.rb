# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      # What must hold of a URL so that one fault of a fix is gone: the fault's `code`, what it is `about` and its
      # `key`, the address or answer that is `wanted` (nil where none is), and the whole as a sentence (`text`).
      Condition =
        Struct.new(:url, :code, :about, :key, :wanted, :text, keyword_init: true) do
          # @return [Hash{String => String, nil}] the fault, as fixes hold it
          def to_fault = {"code" => code, "url" => url, "about" => about, "key" => key}

          # @return [Hash{String => String, nil}] as lists of fixes tell it
          def as_json(*) = {"url" => url, "condition" => text}
        end
    end
  end
end
