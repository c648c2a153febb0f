# frozen_string_literal: true

# Somebody who is signed in. To be included after Browser.
module SignedIn
  PASSWORD = "trim the wick"

  def setup
    super
    IronTrellis::Store::Accounts::User.register(email: "keys@example.test", name: "Keys", password: PASSWORD)
    visit "/"
    fill_in "E-mail", with: "keys@example.test"
    fill_in "Password", with: "#{PASSWORD}\n"
    assert_text "Keys"
  end
end

# And looks at a crawl of the demo site that is finished.
module ReadSite
  include SignedIn

  class << self
    attr_accessor :site_id
  end

  def setup
    super
    @site = ReadSite.site_id ||= DemoCrawl.site
    read "trellis"
    assert_text "Where pages stop"
  end

  # @param screen [String] of the stage Read, with its query
  # @return [void]
  def read(screen) = visit("/s/#{@site}/c/latest/read/#{screen}")
end

# A crawl of the demo site that a worker of the browser's server makes.
module DemoCrawl
  # @param hosts [Array<String>] the first is where it begins
  # @param server [SiteServer]
  # @return [Integer] id of the site
  def self.site(hosts = ["www.skerrylamps.example"], server: SiteServer.skerry)
    settings =
      IronTrellis::Core::Settings::Crawl.new(
        "start_urls" => ["http://#{hosts.first}/"],
        "hosts" => hosts.drop(1),
        "rate" => 0,
        "resolve" => hosts.to_h { |host| ["#{host}:80", "127.0.0.1:#{server.port}"] }
      )
    site = IronTrellis::Store::Sites::Site.register(name: "read #{SecureRandom.hex(6)}", settings: settings)
    crawl = IronTrellis::Work::Crawling::Runs.start(site, now: Time.now)
    sleep 0.1 until crawl.reload.ended?
    site.id
  end
end
