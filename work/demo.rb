# frozen_string_literal: true

require "json"
require "net/http"
require "yaml"

module IronTrellis
  module Work
    # The demo: made by running the real code against the site stand-in.
    class Demo
      NAME = "Skerry Lamp Works"
      EMAIL = "ines@skerrylamps.example"
      PERSON = "Ines Rasten"
      # No secret: the demo listens on loopback only, and bin/demo prints it.
      PASSWORD = "trim-the-wick"
      HOSTS = %w[www.skerrylamps.example skerrylamps.example old.skerrylamps.example www.skerrylamper.example].freeze
      KEPT_OUT = %w[/account/* /thank-you /search].freeze
      # Slow enough that a crawl can be watched.
      RATE = 60
      PATIENCE_SECONDS = 240
      # What the keepers of the site did between two crawls, and whom to ask for it.
      CHANGES = ROOT.join("standins/site/changes.yml")
      KEEPERS = "maintenance.skerrylamps.example"

      # @param site_port [Integer] of the site stand-in
      def initialize(site_port:)
        @site_port = site_port
      end

      # @param anew [Boolean] drop what is there first
      # @return [void]
      def build(anew: false)
        Store::User.find_by(email: EMAIL) || Store::User.register(email: EMAIL, name: PERSON, password: PASSWORD)
        site = Store::Site.find_by(name: NAME)
        site = drop(site) if site && anew
        site ||= found
        ask_keepers("DELETE", "/pages") && crawl(site) unless site.newest_crawl
        change_site && crawl(site) if site.crawls.count == 1
      end

      private

      def found
        Store::Site.found(name: NAME, settings: settings).tap do |site|
          site.want(intents: KEPT_OUT.map { |pattern| {"pattern" => pattern, "intent" => "keep_out"} }, key_pages: ["http://www.skerrylamps.example/", "http://www.skerrylamps.example/lamps/"], by: "Ines R.", now: Time.now)
        end
      end

      def settings
        Core::Settings::Crawl.new("start_urls" => ["http://www.skerrylamps.example/", "http://old.skerrylamps.example/"], "hosts" => HOSTS.drop(1), "rate" => RATE,
          "resolve" => HOSTS.to_h { |host| ["#{host}:80", "127.0.0.1:#{@site_port}"] })
      end

      def crawl(site)
        queue = "demo-#{Process.pid}"
        crawl = Crawling.start(site, now: Time.now, queue: queue)
        deadline = Time.now + PATIENCE_SECONDS
        Queue.work(queues: [queue], threads: 1) { crawl.reload.ended? || Time.now > deadline }
        return if crawl.ended?

        raise Core::Error.new("The demo's crawl did not end: #{Queue.troubles(queue).map { |job| job["last_error_message"] }.first || "it is too slow"}")
      end

      def change_site
        YAML.safe_load_file(CHANGES).each { |change| ask_keepers("POST", "/pages", {"host" => HOSTS.first}.merge(change)) }
      end

      def ask_keepers(verb, path, order = nil)
        answer = Net::HTTP.start("127.0.0.1", @site_port) { |http| http.send_request(verb, path, order && JSON.generate(order), "Host" => KEEPERS, "Content-Type" => "application/json") }
        raise Core::Error.new("The site stand-in would not change: #{answer.body}") unless answer.is_a?(Net::HTTPOK)

        true
      end

      def drop(site)
        site.crawls.each(&:drop)
        Store::Sql.run("DELETE FROM sites WHERE id = $1", [site.id])
        nil
      end
    end
  end
end
