# frozen_string_literal: true

module IronTrellis
  module Store
    module Robots
      # The robots.txt files of a site as the crawl found them, the drafts beside them, and what a draft would change
      # for all URLs known.
      class Drafts
        FILES = "SELECT origin, status, body FROM robots_files WHERE crawl_id = $1 ORDER BY origin"
        URLS = <<~SQL
          SELECT url_id::text AS url_id, url, importance, wanted, noindex, intent = 'keep_out' AND status = 200 AS
            to_keep_out FROM %<ledger>s
          WHERE starts_with(url, $1 || '/') AND kind IS DISTINCT FROM '#{Core::Page::Kind::EXTERNAL}'
        SQL
        MOST_ROWS = 100
        NONE = {total: 0, wanted: 0, rows: []}.freeze

        # @param run [Judging::VerdictRun]
        # @param site [Sites::Site]
        def initialize(run, site)
          @run = run
          @site = site
          @agent = run.crawl.crawl_settings.agent
        end

        # @return [Array<Hash>] origin, status, and whether there is a draft, of the hosts in scope, the main one first
        def origins
          drafts = @site.decisions.values("robots")
          files.map { |file| {origin: file["origin"], status: file["status"], draft: drafts.key?(file["origin"])} }
        end

        # @param origin [String]
        # @param text [String, nil] the draft; nil for the one that was kept, or the file itself
        # @return [Hash] live (text, nil where there is none), text, lines ([{number, text, meaning, flaw}]), difference
        #   ([{change, text}]), agent, freed and shut ({total, wanted, rows}): URLs that would become allowed, and that
        #   would be blocked; and hidden ({noindex, to_keep_out, rows}): of what the draft blocks, how many say noindex
        #   and how many shall say it, which nobody would see then
        # @raise [Core::Error::NotFound]
        def trial(origin, text = nil)
          file = file(origin)
          live = readable(file)
          text ||= @site.decisions.values("robots").dig(origin, "text") || live.to_s
          {
            origin: origin,
            status: file["status"],
            live: live,
            text: text,
            agent: @agent,
            lines: Core::Robots::Meaning.of(text).map(&:to_h),
            difference: Core::Robots::Difference.of(live.to_s, text).map(&:to_h)
          }.merge(changed(file, origin, Core::Robots::Policy.from_answer(status: 200, text: text, agent: @agent)))
        end

        # @param origin [String]
        # @param policy [Core::Robots::Policy, nil] of the file as it is now; nil where its host has no address
        # @param text [String, nil] its text
        # @return [Hash] same (whether it says what it said when it was crawled), difference, freed and shut, as of
        #   trial
        # @raise [Core::Error::NotFound]
        def since(origin, policy, text)
          file = file(origin)
          before = readable(file)
          {same: before == text, difference: Core::Robots::Difference.of(before.to_s, text.to_s).map(&:to_h)}.merge(
            policy ? changed(file, origin, policy).slice(:freed, :shut) : {freed: NONE, shut: NONE}
          )
        end

        private

        def file(origin) =
          files.find { |one| one["origin"] == origin } ||
            raise(Core::Error::NotFound.new("The crawl met no robots.txt at #{origin}."))

        def files
          @files ||= begin
            settings = @run.crawl.crawl_settings
            ours =
              Postgres::Sql.rows(FILES, [@run.crawl_id]).select { |file| settings.scope.host?("#{file["origin"]}/") }
            ours.sort_by.with_index do |file, place|
              [file["origin"].end_with?("://#{settings.main_host}") ? 0 : 1, place]
            end
          end
        end

        def readable(file) =
          ((200..299).cover?(file["status"]) ? file["body"].to_s.dup.force_encoding(Encoding::UTF_8).scrub : nil)

        def changed(file, origin, then_)
          now = Core::Robots::Policy.from_answer(status: file["status"], text: readable(file), agent: @agent)
          found = %i[freed shut noindex to_keep_out].to_h { |name| [name, Counted.new(MOST_ROWS)] }
          ledger = Postgres::Partitions.name("ledger_rows", @run.id)
          Postgres::Sql.stream(format(URLS, ledger: ledger), [origin]) do |rows|
            rows.each do |row|
              row = row.merge(decided(row["url"], now, then_))
              changes(row).each { |name| found[name] << row }
            end
          end
          {freed: counts_and_rows(found[:freed]), shut: counts_and_rows(found[:shut]), hidden: hidden(found)}
        end

        # A noindex that stands behind a block already is hidden by the draft as well; one that shall be set only where
        # the draft shuts the page anew.
        def changes(row)
          return (row["before"] ? [] : [:freed]) if row["after"]

          hides = row["noindex"] ? :noindex : (:to_keep_out if row["to_keep_out"] && row["before"])
          [(:shut if row["before"]), hides].compact
        end

        def hidden(found)
          said, to_come = found.values_at(:noindex, :to_keep_out)
          rows = (said.rows + to_come.rows).first(MOST_ROWS).map { |row| shown(row) }
          {noindex: said.total, to_keep_out: to_come.total, rows: rows}
        end

        def decided(url, now, then_)
          parts = Core::Url::NormalForm.split(url)
          after = then_.decide(parts)
          before = now.decide(parts)
          {
            "before" => before.allowed?,
            "after" => after.allowed?,
            "line" => after.line || before.line,
            "rule" => after.rule || before.rule
          }
        end

        def counts_and_rows(found) =
          {total: found.total, wanted: found.wanted, rows: found.rows.map { |row| shown(row) }}

        def shown(row) = row.slice("url_id", "url", "importance", "wanted", "line", "rule")

        # The weightiest rows, and how many of all should be indexed.
        class Counted < Core::Ledger::Weightiest
          attr_reader :wanted

          def initialize(most)
            super { |row| row.values_at("importance", "url") }
            @wanted = 0
          end

          def <<(row)
            @wanted += 1 if row["wanted"]
            super
          end
        end
        private_constant :Counted
      end
    end
  end
end
