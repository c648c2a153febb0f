# frozen_string_literal: true

# A crawl that nobody works, with its one host, for tests of what the store does with it.
module PlainCrawl
  # @param settings [Hash] what differs
  # @return [IronTrellis::Store::Crawl] its first URL is taken out of the frontier
  def plain_crawl(**settings)
    values = {"start_urls" => ["http://store.test/"]}.merge(settings.transform_keys(&:to_s))
    site =
      IronTrellis::Store::Sites::Site.register(
        name: "store #{SecureRandom.hex(6)}",
        settings: IronTrellis::Core::Settings::Crawl.new(values)
      )
    crawl = IronTrellis::Store::Crawling::Crawl.begin(site, now: Time.now, slots: 2)
    IronTrellis::Store::Postgres::Sql.run("DELETE FROM frontier_#{crawl.id}")
    crawl
  end

  # @return [Integer] the id of the crawl's host
  def host_of(crawl) = IronTrellis::Store::Crawling::Hosts.new(crawl).id("store.test")

  # @param names [Array<String>]
  # @return [Array<IronTrellis::Store::Frontier::Entry>] of pages with these paths
  def entries(crawl, *names, **changes)
    names.map do |name|
      IronTrellis::Store::Crawling::Frontier::Entry.new(
        id: id_of(name),
        url: "http://store.test/#{name}",
        purpose: :page,
        depth: 1,
        hops: 0,
        host_id: host_of(crawl),
        **changes
      )
    end
  end

  # @return [Integer] small ones, so that they stand in the order of the names
  def id_of(name) = name.unpack1("H*").to_i(16)
end
