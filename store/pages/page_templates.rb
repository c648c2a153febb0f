# frozen_string_literal: true

module IronTrellis
  module Store
    module Pages
      # The templates of a crawl's pages, by how they are built.
      class PageTemplates
        # So many different sketches tell what templates there are, those on most pages.
        MOST = 3_000
        BUILT = "skeleton IS NOT NULL AND status = 200"
        COUNTS = <<~SQL.freeze
          SELECT skeleton, count(*) AS pages FROM %<page_facts>s WHERE #{BUILT} GROUP BY 1
          ORDER BY 2 DESC, skeleton COLLATE "C" LIMIT #{MOST}
        SQL
        PAGES = "SELECT u.url, f.skeleton FROM %<page_facts>s f JOIN urls u ON u.id = f.url_id WHERE f.#{BUILT}".freeze
        OF_RUN = "SELECT url, template FROM %<ledger>s WHERE template = ANY($1::text[])"

        # Which pages of the newest run are built as groups of the site want it.
        #
        # @param run [Judging::VerdictRun, nil]
        # @param cores [Array<String>] of the groups
        # @return [Hash{String => String}] core by URL
        def self.built(run, cores)
          return {} if run.nil? || cores.empty?

          by_id = cores.to_h { |core| [run.template_like(core), core] }.except(nil)
          Postgres::Sql
            .rows(format(OF_RUN, Postgres::Partitions.of_run(run)), [Postgres::Sql.array(by_id.keys)])
            .to_h { |row| [row["url"], by_id[row["template"]]] }
        end

        # @param crawl [Crawling::Crawl]
        def initialize(crawl)
          @names = Postgres::Partitions.of_crawl(crawl.id)
        end

        # @return [Core::Groups::Skeletons]
        def skeletons
          @skeletons ||=
            Core::Groups::Skeletons.new(
              Postgres::Sql.rows(format(COUNTS, @names)).to_h { |row| row.values_at("skeleton", "pages") }
            )
        end

        # @param cores [Array<String>] of page groups
        # @return [Hash{String => String}] core by URL
        def built(cores)
          by_id = cores.to_h { |core| [skeletons.like(core), core] }.except(nil)
          return {} if by_id.empty?

          Postgres::Sql
            .rows(format(PAGES, @names))
            .each_with_object({}) do |row, found|
              core = by_id[skeletons.of(row["skeleton"])]
              found[row["url"]] = core if core
            end
        end
      end
    end
  end
end
