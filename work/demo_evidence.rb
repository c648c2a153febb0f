# frozen_string_literal: true

require "fileutils"
require "ipaddr"
require "json"
require "net/http"
require "tempfile"
require "uri"

module IronTrellis
  module Work
    # What the index stand-in says of the demo's site: sixteen months of its life, asked week by week for the last six.
    class DemoEvidence
      NAME = "Gazetteer"
      DAYS = 486
      WEEKS = 5
      STEP = 100
      SECONDS = 300
      # Pages that were hidden for 90 days, by how many days ago: one hide ends soon.
      HIDDEN = {80 => "/press/poster", 45 => "/journal/the-propeller-foundry"}.freeze
      # Files as the keepers of the site bring them.
      FILES = {"links" => "links.csv", "goals" => "goals.csv"}.freeze
      # One is left to be brought by hand.
      BY_HAND = ROOT.join("var/demo/left-out.csv")

      # @param site [Store::Sites::Site]
      # @param port [Integer] of the index stand-in
      # @param days [Integer] that pass in all
      def initialize(site, port, days: DAYS)
        @site = site
        @address = "http://127.0.0.1:#{port}"
        @days = days
      end

      # The years before the last weeks.
      #
      # @return [void]
      def first_look
        # What an earlier start, or an earlier demo, let pass.
        checked(ask(Net::HTTP::Delete.new(URI("#{@address}/days"))))
        pass_and_hide
        pull(Evidence::Indexes.add(@site, {"name" => NAME, "address" => @address}, now: Time.now))
      end

      # The last weeks, with what others bring besides.
      #
      # @param moved [Array<String>] addresses that it is asked to fetch again
      # @return [void]
      def later_looks(moved)
        index = Store::Evidence::Index.first_of(@site)
        moved.each { |url| post("/requests", {url: url}) }
        WEEKS.times do
          pass(7)
          pull(index)
        end
        index.update!(pull_days: 7)
        FILES.each { |kind, name| bring(kind, name) }
        read_log
        FileUtils.mkdir_p(BY_HAND.dirname)
        BY_HAND.write(get("/exports/left-out.csv"))
      end

      # @return [Boolean] whether the last weeks have passed
      def done? = !Store::Evidence::Index.first_of(@site)&.pull_days.nil? && BY_HAND.exist?

      private

      def pull(index) = Evidence::Pulling.new(index, now: Time.now).call(by: DemoSite::PERSON)

      # Until the weeks begin in which it is asked.
      def pass_and_hide
        [@days, *HIDDEN.keys, WEEKS * 7].each_cons(2) do |before, ago|
          pass(before - ago)
          HIDDEN[ago]&.then { |path| post("/hides", {url: "http://#{DemoSite::HOSTS.first}#{path}"}) }
        end
      end

      # In steps, so that no answer takes longer than it may.
      def pass(days)
        days.step(1, -STEP) { |left| post("/days", {count: [left, STEP].min}) }
      end

      def bring(kind, name)
        file(name) do |path|
          told =
            Evidence::Importing::Told.new(
              kind: kind, columns: {}, words: {}, whole: true, name: name, by: DemoSite::PERSON
            )
          Evidence::Importing.new(@site, path, told, now: Time.now).call
        end
      end

      def read_log
        ranges = {"gazetteerbot" => [IPAddr.new("192.0.2.0/24")]}
        file("access.log") do |path|
          Evidence::Logs.new(@site, verified: ranges, by: DemoSite::PERSON, now: Time.now).call(
            [path],
            names: ["access.log"]
          )
        end
      end

      def file(name)
        Tempfile.create(name) do |file|
          file.write(get("/exports/#{name}"))
          file.flush
          yield file.path
        end
      end

      def get(path) = checked(ask(Net::HTTP::Get.new(URI("#{@address}#{path}"))))

      def post(path, body)
        request = Net::HTTP::Post.new(URI("#{@address}#{path}"), "content-type" => "application/json")
        request.body = JSON.generate(body)
        checked(ask(request))
      end

      def ask(request)
        Net::HTTP.start(request.uri.host, request.uri.port, read_timeout: SECONDS) { |http| http.request(request) }
      end

      def checked(answer)
        raise Core::Error.new("The index stand-in answers #{answer.code}: #{answer.body}") unless answer.code.to_i < 300

        answer.body.force_encoding(Encoding::UTF_8)
      end
    end
  end
end
