# frozen_string_literal: true

module IronTrellis
  module Store
    module Alerts
      # An alert on its way to one receiver: an e-mail address, or the address of a webhook.
      class Delivery < Postgres::Record
        self.table_name = "alert_deliveries"

        MOST_TRIES = 6

        belongs_to :alert, class_name: "IronTrellis::Store::Alerts::Alert"

        # @return [ActiveRecord::Relation] what isn't there yet and may be tried again
        def self.open = where(sent_at: nil).where(tries: ...MOST_TRIES)
      end
    end
  end
end
