# frozen_string_literal: true

require "securerandom"

module Bench
  # A crawl of so many pages written straight into the tables, as if it had been fetched: pages in folders of 500, each
  # with a text of its own of about 300 words (one in fifty is a near copy), links drawn towards the low numbers.
  class MadeCrawl
    LINKS = 62
    WORDS = 300
    FOLDER = 500

    # @param pages [Integer]
    # @param links [Integer] out of each page
    # @param texts [Boolean] whether they have texts; most of the time goes into those
    def initialize(pages, links: LINKS, texts: true)
      @pages = pages
      @links = links
      @steps = %w[DELETE NODES URLS FRONTIER FACTS BLOCKS LINK] - (texts ? [] : %w[BLOCKS])
    end

    # @return [IronTrellis::Store::Crawl] fetched and not judged
    def call
      settings = IronTrellis::Core::Settings::Crawl.new("start_urls" => ["http://made.example/p0/0"])
      site = IronTrellis::Store::Sites::Site.register(name: "made #{SecureRandom.hex(6)}", settings: settings)
      @crawl = IronTrellis::Store::Crawling::Crawl.begin(site, now: Time.now)
      @steps.each { |name| write(name) }
      @crawl.update!(state: "judging", started_at: Time.now, fetching_ended_at: Time.now)
      @crawl
    end

    private

    def write(name)
      Bench.say("#{name.downcase} …")
      IronTrellis::Store::Postgres::Sql.raw.exec(
        format(
          self.class.const_get(name),
          crawl: @crawl.id,
          site: @crawl.site_id,
          pages: @pages,
          links: @links,
          host: host,
          words: WORDS,
          folder: FOLDER
        )
      )
    end

    def host = @host ||= IronTrellis::Store::Crawling::Hosts.new(@crawl).id("made.example")

    DELETE = "DELETE FROM frontier_%<crawl>d"
    # Ids are made as everywhere: the first 8 bytes of the SHA-256 of site, NUL and URL.
    NODES = <<~SQL
      CREATE TEMPORARY TABLE nodes AS SELECT n, url, ('x' || left(encode(sha256('%<site>d'::bytea || '\\x00'::bytea ||
        url::bytea), 'hex'), 16))::bit(64)::bigint AS id
      FROM (SELECT n, 'http://made.example/p' || n / %<folder>d || '/' || n AS url FROM generate_series(0, %<pages>d -
        1) n) s;
      CREATE UNIQUE INDEX ON nodes (n); ANALYZE nodes
    SQL
    URLS =
      "INSERT INTO urls (id, site_id, url, first_seen) SELECT id, %<site>d, url, now() FROM nodes ON CONFLICT DO " \
      "NOTHING"
    FRONTIER =
      "INSERT INTO frontier_%<crawl>d (crawl_id, url_id, url, purpose, depth, state, host_id) SELECT %<crawl>d, id, " \
      "url, 0, least(n, 1), #{IronTrellis::Store::Crawling::Frontier::STATES[:done]}, %<host>d FROM nodes"
    FACTS = <<~SQL
      INSERT INTO page_facts_%<crawl>d (crawl_id, url_id, fetched_at, robots_allowed, status, kind, content_type,
        charset, bytes, first_byte_ms, response_ms, noindex, nofollow, directives,
        canonical, canonical_source, canonical_state, lang, titles, description, h1, words, images, images_without_alt,
          viewport)
      SELECT %<crawl>d, id, now(), true, CASE WHEN n %% 97 = 96 THEN 404 ELSE 200 END, 'html', 'text/html', 'UTF-8',
        18000 + n %% 9000, 40, 60 + n %% 500, n %% 61 = 60, false, '[]',
        url, 'html', 'self', 'en', ARRAY['Page ' || n || ' about the matter ' || n %% 977],
          'What is to be said of the matter ' || n %% 977 || ' by the people who know it, in page ' || n,
            ARRAY['Matter ' || n], %<words>d, 3, 0,
        'width=device-width' FROM nodes
    SQL
    BLOCKS = <<~SQL
      INSERT INTO page_blocks_%<crawl>d (crawl_id, url_id, texts)
      SELECT %<crawl>d, id, E'Home Lamps Guides Journal Press Stockists About Contact\\nMatter ' || n || E'\\n' || (
        SELECT string_agg('w' || ((CASE WHEN n %% 50 = 49 AND k > 8 THEN n - 1 ELSE n END)::bigint * 7919 + k::bigint *
          k * 104729) %% 1000003 || CASE WHEN k %% 25 = 0 THEN E'\\n' ELSE ' ' END, '' ORDER BY k)
        FROM generate_series(1, %<words>d - 10) k) || E'\\nImprint and opening hours' FROM nodes
    SQL
    LINK = <<~SQL
      INSERT INTO links_%<crawl>d (crawl_id, position, source_id, target_id, type, place, followed, internal, text)
      SELECT %<crawl>d, k, s.id, t.id, 0, CASE WHEN k < 8 THEN 0 ELSE 2 END, true, true, 'Matter ' || t.n
      FROM nodes s CROSS JOIN generate_series(0, %<links>d - 1) k
      JOIN nodes t ON t.n = CASE WHEN k < 8 THEN k WHEN k = 8 THEN (s.n + 1) %% %<pages>d ELSE
        floor(power((hashint8(s.n::bigint * 64 + k)::bigint + 2147483648) / 4294967296.0, 2) * %<pages>d)::int END
    SQL
  end
end
