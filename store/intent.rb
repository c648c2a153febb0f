# frozen_string_literal: true

module IronTrellis
  module Store
    # What is wanted of the URLs that one pattern matches.
    class Intent < Record
      self.table_name = "intents"
    end
  end
end
