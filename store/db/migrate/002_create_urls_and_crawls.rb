# frozen_string_literal: true

# A URL has one row per site for ever; its id is told from its text (Core::Url::NormalForm.id), so nothing needs
# an index on the text. What one crawl saw lies in tables partitioned by crawl: loaded by COPY, dropped whole.
class CreateUrlsAndCrawls < ActiveRecord::Migration[7.2]
  PARTITIONED = %w[frontier page_facts raw_answers page_blocks links sitemap_entries].freeze

  def up
    execute <<~SQL
      CREATE TABLE urls (
        id bigint PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        url text NOT NULL,
        first_seen timestamptz NOT NULL
      );
      CREATE INDEX urls_by_site ON urls (site_id);

      CREATE TABLE crawls (
        id bigserial PRIMARY KEY,
        site_id bigint NOT NULL REFERENCES sites ON DELETE CASCADE,
        number integer NOT NULL,
        state text NOT NULL,
        scope text NOT NULL DEFAULT 'whole',
        settings jsonb NOT NULL,
        queue text NOT NULL,
        slots integer NOT NULL,
        -- The site's settings name what a partial crawl was made of, this says how many URLs that were.
        asked integer,
        -- URLs that were leased to be fetched, against the limit; those given back are taken off.
        taken bigint NOT NULL DEFAULT 0,
        -- Waiting URLs by depth, as the crawl last looked.
        waiting_by_depth jsonb NOT NULL DEFAULT '{}',
        known_urls bigint,
        message text,
        created_at timestamptz NOT NULL,
        started_at timestamptz,
        fetching_ended_at timestamptz,
        finished_at timestamptz,
        UNIQUE (site_id, number)
      );

      -- The running totals of a crawl, one row a slot, so that workers never wait for each other to count.
      CREATE TABLE crawl_counters (
        crawl_id bigint NOT NULL REFERENCES crawls ON DELETE CASCADE,
        slot integer NOT NULL,
        fetched bigint NOT NULL DEFAULT 0,
        ok bigint NOT NULL DEFAULT 0,
        redirected bigint NOT NULL DEFAULT 0,
        refused bigint NOT NULL DEFAULT 0,
        failed bigint NOT NULL DEFAULT 0,
        unanswered bigint NOT NULL DEFAULT 0,
        blocked bigint NOT NULL DEFAULT 0,
        retried bigint NOT NULL DEFAULT 0,
        bytes bigint NOT NULL DEFAULT 0,
        PRIMARY KEY (crawl_id, slot)
      );

      -- Who works a slot of a crawl, and when it last said so.
      CREATE TABLE crawl_slots (
        crawl_id bigint NOT NULL REFERENCES crawls ON DELETE CASCADE,
        slot integer NOT NULL,
        worker text NOT NULL,
        token bigint NOT NULL,
        seen_at timestamptz NOT NULL,
        PRIMARY KEY (crawl_id, slot)
      );

      -- How many were fetched by when, for the picture of the speed.
      CREATE TABLE crawl_beats (
        crawl_id bigint NOT NULL REFERENCES crawls ON DELETE CASCADE,
        slot integer NOT NULL,
        at timestamptz NOT NULL,
        fetched integer NOT NULL
      );
      CREATE INDEX crawl_beats_by_time ON crawl_beats (crawl_id, at);

      CREATE TABLE crawl_hosts (
        id bigserial PRIMARY KEY,
        crawl_id bigint NOT NULL REFERENCES crawls ON DELETE CASCADE,
        authority text NOT NULL,
        paused_until timestamptz,
        UNIQUE (crawl_id, authority)
      );

      CREATE TABLE host_counters (
        host_id bigint NOT NULL REFERENCES crawl_hosts ON DELETE CASCADE,
        slot integer NOT NULL,
        fetched bigint NOT NULL DEFAULT 0,
        failed bigint NOT NULL DEFAULT 0,
        milliseconds bigint NOT NULL DEFAULT 0,
        PRIMARY KEY (host_id, slot)
      );

      -- The right to make one request at a time to a host, with its share of the rate. Whoever holds more of them may
      -- make more
      -- requests at once; all crawlers of a crawl together never hold more than there are.
      CREATE TABLE host_slots (
        host_id bigint NOT NULL REFERENCES crawl_hosts ON DELETE CASCADE,
        slot integer NOT NULL,
        lease_token bigint,
        leased_until timestamptz,
        not_before timestamptz,
        PRIMARY KEY (host_id, slot)
      );

      -- Spaces of URLs of which only so many are fetched: patterns that were capped, and what may grow without end.
      CREATE TABLE crawl_spaces (
        id bigserial PRIMARY KEY,
        crawl_id bigint NOT NULL REFERENCES crawls ON DELETE CASCADE,
        kind text NOT NULL,
        space text NOT NULL,
        most integer NOT NULL,
        taken integer NOT NULL DEFAULT 0,
        full_at timestamptz,
        UNIQUE (crawl_id, kind, space)
      );

      -- What each host answered for a path that can't exist there.
      CREATE TABLE host_probes (
        host_id bigint PRIMARY KEY REFERENCES crawl_hosts ON DELETE CASCADE,
        url text NOT NULL,
        state text NOT NULL DEFAULT 'waiting',
        slot integer,
        status integer,
        error text,
        title text,
        text text
      );

      -- The newest answers that were none, for those who watch.
      CREATE TABLE crawl_troubles (
        crawl_id bigint NOT NULL REFERENCES crawls ON DELETE CASCADE,
        at timestamptz NOT NULL,
        url_id bigint NOT NULL,
        url text NOT NULL,
        status integer,
        error text,
        detail text
      );
      CREATE INDEX crawl_troubles_by_time ON crawl_troubles (crawl_id, at);

      CREATE TABLE robots_files (
        crawl_id bigint NOT NULL REFERENCES crawls ON DELETE CASCADE,
        origin text NOT NULL,
        status integer,
        error text,
        body text,
        fetched_at timestamptz NOT NULL,
        PRIMARY KEY (crawl_id, origin)
      );

      CREATE TABLE sitemap_files (
        id bigserial PRIMARY KEY,
        crawl_id bigint NOT NULL REFERENCES crawls ON DELETE CASCADE,
        url text NOT NULL,
        host_id bigint NOT NULL,
        parent text,
        state text NOT NULL DEFAULT 'waiting',
        slot integer,
        kind text,
        status integer,
        error text,
        bytes bigint,
        entries integer,
        UNIQUE (crawl_id, url)
      );
      CREATE INDEX sitemap_files_waiting ON sitemap_files (host_id) WHERE state = 'waiting';

      -- Every URL that one crawl knows of and may fetch. State, purpose and the reason why one isn't fetched are
      -- numbers
      -- (Store::Frontier::STATES, ::PURPOSES, ::REASONS).
      CREATE TABLE frontier (
        crawl_id bigint NOT NULL,
        url_id bigint NOT NULL,
        url text NOT NULL,
        purpose smallint NOT NULL,
        depth integer NOT NULL,
        -- Redirects that led here, one after the other.
        hops smallint NOT NULL DEFAULT 0,
        state smallint NOT NULL DEFAULT 0,
        reason smallint,
        host_id bigint NOT NULL,
        space_id bigint,
        slot smallint,
        lease_token bigint,
        tries smallint NOT NULL DEFAULT 0,
        crashes smallint NOT NULL DEFAULT 0,
        not_before timestamptz
      ) PARTITION BY LIST (crawl_id);

      CREATE TABLE page_facts (
        crawl_id bigint NOT NULL,
        url_id bigint NOT NULL,
        fetched_at timestamptz,
        robots_allowed boolean,
        robots_line integer,
        robots_rule text,
        status integer,
        error text,
        error_detail text,
        kind text,
        content_type text,
        charset text,
        bytes bigint,
        first_byte_ms integer,
        response_ms integer,
        redirect_to_id bigint,
        redirect_to text,
        refresh_to_id bigint,
        refresh_to text,
        refresh_source text,
        noindex boolean,
        nofollow boolean,
        noindex_where text,
        header_noindex_alone boolean,
        directives jsonb,
        canonical text,
        canonical_source text,
        canonical_state text,
        canonical_marks jsonb,
        hreflang jsonb,
        lang text,
        titles text[],
        description text,
        h1 text[],
        words integer,
        images integer,
        images_without_alt integer
      ) PARTITION BY LIST (crawl_id);

      CREATE TABLE raw_answers (
        crawl_id bigint NOT NULL,
        url_id bigint NOT NULL,
        header_lines text NOT NULL,
        body bytea
      ) PARTITION BY LIST (crawl_id);

      CREATE TABLE page_blocks (
        crawl_id bigint NOT NULL,
        url_id bigint NOT NULL,
        texts text NOT NULL
      ) PARTITION BY LIST (crawl_id);

      -- Types and places are numbers (Core::Page::Link.types, .places). There are more rows here than anywhere else, so
      -- columns stand in an
      -- order that needs no padding.
      CREATE TABLE links (
        crawl_id integer NOT NULL,
        position integer NOT NULL,
        source_id bigint NOT NULL,
        target_id bigint NOT NULL,
        type smallint NOT NULL,
        place smallint,
        followed boolean NOT NULL,
        internal boolean NOT NULL,
        rel text,
        text text
      ) PARTITION BY LIST (crawl_id);

      CREATE TABLE sitemap_entries (
        crawl_id bigint NOT NULL,
        sitemap_file_id bigint NOT NULL,
        url_id bigint NOT NULL,
        position integer NOT NULL,
        lastmod text,
        alternates jsonb
      ) PARTITION BY LIST (crawl_id);
    SQL
  end

  def down
    (
      PARTITIONED +
        %w[
          sitemap_files
          robots_files
          crawl_troubles
          host_probes
          crawl_spaces
          host_slots
          host_counters
          crawl_hosts
          crawl_beats
          crawl_slots
          crawl_counters
          crawls
          urls
        ]
    ).each { |table| drop_table table }
  end
end
