# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      # One field of a kind of evidence: its name, which is also the heading that needs no telling; its kind (:url,
      # :state, :text, :count, :position, :date); whether a row needs it.
      Field = Struct.new(:name, :kind, :needed, keyword_init: true) do
        # @return [Boolean]
        def needed? = needed || false
      end
    end
  end
end
