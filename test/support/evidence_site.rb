# frozen_string_literal: true

# A site of a test's own, to which evidence is brought.
module EvidenceSite
  Store = IronTrellis::Store
  NOW = Time.utc(2026, 11, 28, 12)

  def setup
    super
    settings = IronTrellis::Core::Settings::Crawl.new({"start_urls" => ["http://shop.test/"]})
    @site = Store::Sites::Site.register(name: "evidence #{SecureRandom.hex(6)}", settings: settings)
  end

  def teardown
    @site&.drop
    super
  end

  # Brings a file and gives what came of it.
  def import(kind, bytes, index: nil, date: nil, columns: {}, words: {}, whole: nil, site: @site, now: NOW)
    told =
      IronTrellis::Work::Evidence::Importing::Told.new(
        kind: kind,
        index: index,
        date: date,
        columns: columns,
        words: words,
        whole: whole,
        name: "file",
        by: "A test"
      )
    Tempfile.create("evidence", binmode: true) do |file|
      file.write(bytes)
      file.flush
      IronTrellis::Work::Evidence::Importing.new(site, file.path, told, now: now).call
    end
  end

  # Has a site of made-up pages stand behind it, crawled in this process.
  #
  # @param pages [Hash] as of SmallSite
  # @return [IronTrellis::Store::Crawling::Crawl]
  def crawled(pages, **settings)
    @server = SmallSite.new(pages)
    @site.update!(
      settings:
        IronTrellis::Core::Settings::Crawl.new(
          {
            "start_urls" => ["http://small.example/"],
            "rate" => 0,
            "resolve" => {
              "small.example:80" => "127.0.0.1:#{@server.port}"
            }
          }.merge(settings.transform_keys(&:to_s))
        ).to_h
    )
    crawl_here(@server, site: @site).tap do |crawl|
      crawl.update_columns(state: "finished", fetching_ended_at: Time.now, finished_at: Time.now)
    end
  end

  # Rows of the site, by what stands behind its name.
  def rows(what, from, rest = "")
    Store::Postgres::Sql.rows(
      "SELECT #{what} FROM #{from} WHERE site_id = #{@site.id} AND superseded_by IS NULL #{rest}"
    )
  end
end
