# frozen_string_literal: true

module IronTrellis
  module Store
    module Settings
      # Tries page groups against the pages that a run knows, before they are kept.
      class GroupPreview
        # Of more pages than these, so many are looked at and the rest is told in proportion.
        SAMPLE = 100_000
        SAMPLES_EACH = 3

        # @param run [Judging::VerdictRun]
        # @param main_host [String]
        def initialize(run, main_host)
          @run = run
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
                groups.map { |one| Core::Groups::Grouping::Group.of(*one.values_at("name", "pattern", "template")) },
              built: Pages::PageTemplates.built(@run, groups.filter_map { |one| one["template"] })
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
        def proposals
          kinds = Intents::GroupEvidence.new(@run, @run.crawl.site).kinds
          found =
            built.map do |row|
              Core::Groups::Proposals::Page.new(**row.transform_keys(&:to_sym), kind: kinds[row["url"]])
            end
          Core::Groups::Proposals.of(found, tokens, @main_host)
        end

        private

        def built =
          Postgres::Sql.rows(
            "SELECT url, template FROM #{@table} WHERE kind = 'html' AND status = 200 AND redirect_to IS NULL " \
            "ORDER BY url_id LIMIT #{SAMPLE}"
          )

        def tokens =
          @run.templates.to_h { |one| [one["id"], Core::Page::Skeleton.telling(one["core"])] }

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
