# frozen_string_literal: true

module IronTrellis
  module Work
    # The demo at the desk: one page held against other makers' and half written anew, and the links that should be.
    class DemoDesk
      PATH = "/lamps/anchor/al-30-brass"
      PHRASES = ["anchor light", "brass anchor light"].freeze
      RIVALS = %w[
        http://www.northlight-lanterns.example/anchor-lights
        http://www.tidewright.example/lights/anchor-light
        http://www.beaconyard.example/catalogue/anchor
        http://www.old-harbour-stores.example/boat-lamps/anchor-lights
      ].freeze
      TITLE = "Anchor light AL-30 of brass, seen all round | Skerry Lamp Works"

      # @param site [Store::Sites::Site]
      def initialize(site)
        @site = site
      end

      # @return [void]
      def call
        MissingLinks::Looking.new(@site, now: Time.now).call
        sheet = sheet()
        sheet.keep({"phrases" => PHRASES, "rivals" => RIVALS}, by: DemoSite::PERSON)
        sheet.read_all
        sheet.keep({"draft" => {"title" => TITLE}}, by: DemoSite::PERSON)
      end

      private

      def sheet
        url = "http://#{DemoSite::HOSTS.first}#{PATH}"
        Desk::Sheet.new(@site, Core::Url::NormalForm.id(@site.id, url), now: Time.now)
      end
    end
  end
end
