# frozen_string_literal: true

module IronTrellis
  module Store
    module Settings
      # Tries page groups against the pages that a run knows, before they are kept.
      class GroupPreview
        # Of more pages than these, so many are looked at and the rest is told in proportion.
        SAMPLE = 100_000
        SAMPLES_EACH = 3

        # So many pages tell what templates there are; as ids are digests, the first of them are any.
        TEMPLATE_SAMPLE = 3_000

        # @param run [Judging::VerdictRun]
        # @param main_host [String]
        def initialize(run, main_host)
          @blocks = Postgres::Partitions.name("page_blocks", run.crawl_id)
          @table = Postgres::Partitions.name("ledger_rows", run.id)
          @main_host = main_host
        end

        # @param groups [Array<Hash>] {"name", "pattern"} in order
        # @return [Hash] groups ([{name, pages, wanted_stopping, samples}] in order, and after them those of first
        #   folders), pages, and whether it is told from a sample
        # @raise [Core::Error::InvalidInput]
        def call(groups)
          grouping =
            Core::Groups::Grouping.new(
              main_host: @main_host,
              groups:
                groups.map do |one|
                  Core::Groups::Grouping::Group.new(name: one["name"], pattern: Core::Url::Pattern.new(one["pattern"]))
                end
            )
          found = rows.group_by { |row| grouping.name(row["url"]) }
          named = groups.map { |one| one["name"] }
          rest = (found.keys - named).sort_by { |name| [-found[name].size, name] }
          {
            groups:
              named.map { |name| build(name, found.fetch(name, []), true) } +
                rest.map { |name| build(name, found[name], false) },
            pages: pages,
            sampled: pages > SAMPLE
          }
        end

        # @return [Array<Core::Groups::Proposals::Proposal>]
        def proposals = Core::Groups::Proposals.of(rows.map { |row| row["url"] }, @main_host, blocks: blocks)

        private

        def blocks
          Postgres::Sql
            .rows(
              "SELECT l.url, b.texts FROM #{@table} l JOIN #{@blocks} b USING (url_id) WHERE l.kind = 'html' AND " \
              "l.status = 200 ORDER BY url_id LIMIT #{TEMPLATE_SAMPLE}"
            )
            .to_h { |row| [row["url"], row["texts"].split("\n")] }
        end

        def pages =
          @pages ||=
            Postgres::Sql.run("SELECT count(*) FROM #{@table} WHERE #{Ledger::Scopes.document}").getvalue(0, 0).to_i

        def rows
          @rows ||=
            Postgres::Sql.rows(
              "SELECT url, wanted AND stop IS NOT NULL AS stopping " \
              "FROM #{@table} WHERE #{Ledger::Scopes.document} ORDER BY url_id LIMIT #{SAMPLE}"
            )
        end

        def build(name, rows, given)
          {
            name: name,
            given: given,
            pages: scaled(rows.size),
            wanted_stopping: scaled(rows.count { |row| row["stopping"] }),
            samples: rows.first(SAMPLES_EACH).map { |row| row["url"] }
          }
        end

        def scaled(count) = (pages > SAMPLE) ? (count.fdiv(SAMPLE) * pages).round : count
      end
    end
  end
end
