# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Alerts
      # Sends alerts to those who want them, each once; what fails is tried again later, and told beside the alert.
      class Sending
        # So long is waited before the next try, in seconds, by how many were made.
        PAUSES = [60, 300, 1_800, 7_200, 21_600].freeze

        # @param site [Store::Sites::Site]
        # @param alerts [Array<Store::Alerts::Alert>]
        # @return [void]
        def self.ask(site, alerts)
          settings = Settings.new(site)
          receivers = [*settings.mails, settings.webhook].reject(&:empty?)
          rows = alerts.product(receivers).map { |alert, receiver| {alert_id: alert.id, receiver: receiver} }
          return if rows.empty?

          Store::Alerts::Delivery.insert_all(rows, unique_by: %i[alert_id receiver])
          Runtime::Queue.enqueue_once("SendAlerts", {site_id: site.id})
        end

        # @param site [Store::Sites::Site]
        # @param now [Time]
        # @param mail [#call] sends one to an address
        # @param hook [#call] posts one to an address
        def initialize(site, now:, mail: Ports::Alerts::Mailer, hook: Ports::Alerts::Webhook)
          @site = site
          @now = now
          @mail = mail
          @hook = hook
          @settings = Settings.new(site)
        end

        # @return [Integer, nil] after how many seconds what is left is to be tried again; nil where nothing is
        def call
          failing = {}
          open.find_each { |delivery| deliver(delivery, failing) }
          tries = open.minimum(:tries)
          tries && PAUSES.fetch([tries, PAUSES.size].min - 1)
        end

        private

        def open =
          Store::Alerts::Delivery
            .open
            .joins(:alert)
            .where(alerts: {site_id: @site.id})
            .includes(:alert)
            .readonly(false)

        # Who didn't take one is sent no other in the same round: others wait behind it.
        def deliver(delivery, failing)
          # Before it is sent, so that what dies meanwhile isn't tried for ever.
          delivery.update!(tries: delivery.tries + 1, error: failing[delivery.receiver])
          return if failing.key?(delivery.receiver)

          send_one(delivery)
          delivery.update!(sent_at: @now, error: nil)
        rescue Ports::Alerts::Undelivered => error
          failing[delivery.receiver] = error.message
          delivery.update!(error: error.message)
        end

        def send_one(delivery)
          alert = delivery.alert
          if delivery.receiver.match?(%r{\Ahttps?://}i)
            address = address_of(delivery.receiver)
            @hook.call(delivery.receiver, payload(alert), secret: @settings.secret, address: address)
          else
            @mail.call(delivery.receiver, subject: "#{@site.name}: #{alert.what}", text: text(alert))
          end
        end

        # A private address is taken only where the operator allows it.
        def address_of(url)
          Sites::Keeping.check_address(url).first.first
        rescue Core::Error::InvalidInput => error
          raise Ports::Alerts::Undelivered.new(error.message)
        end

        def payload(alert) =
          {site: @site.name, id: alert.id, made_at: alert.made_at.utc.iso8601}.merge(
            alert.slice("kind", "what", "urls", "count", "screen").symbolize_keys
          )

        def text(alert)
          more = alert.count - alert.urls.size
          [
            alert.what,
            "",
            *alert.urls,
            *(more.positive? ? ["and #{more} more"] : []),
            "",
            "#{Core::Alerts::Alert::KINDS.fetch(alert.kind)}.",
            "Since #{alert.made_at.utc.strftime("%d %b %Y, %H:%M UTC")}.",
            "It is shown under #{alert.screen} of #{@site.name} in Iron Trellis."
          ].join("\n")
        end
      end
    end
  end
end
