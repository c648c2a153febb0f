# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/site_server"
require_relative "../support/small_site"
require_relative "../support/chromium"

# Source: Chromium driven by ChromeDriver (W3C WebDriver), which asks for pages by itself. What we have it render
# through our own requests must come to the same document, text, layout and address.
class RenderedFactsTest < Minitest::Test
  Fetch = IronTrellis::Fetch
  Core = IronTrellis::Core
  FACTS = <<~JS
    return {
      title: document.title,
      text: document.body.innerText,
      links: [...document.links].map((link) => link.href).sort(),
      canonical: document.querySelector("link[rel=canonical]")?.href ?? null,
      url: location.href,
      content: document.documentElement.scrollWidth
    };
  JS
  FRAGMENT = /#.*/
  ALONE = "<title>Alone</title><div id=root></div><script src=/app.js defer></script>"
  APP = <<~JS
    const list = ["Masthead", "Anchor", "Side"].map((name) => `<li><a href="/lamps/${name.toLowerCase()}">${name}</a>`);
    document.getElementById("root").innerHTML = `<h1>Lamps</h1><ul>${list.join("")}</ul><p hidden>None</p>`;
    fetch("/more.json").then((answer) => answer.json()).then(({ title, more }) => {
      document.title = title;
      document.head.insertAdjacentHTML("beforeend", `<link rel="canonical" href="/lamps">`);
      document.body.insertAdjacentHTML("beforeend", `<p style="width:1500px">${more}</p>`);
    });
  JS
  PAGES = {
    "/" => ALONE,
    "/app.js" => [200, {"content-type" => "text/javascript"}, APP],
    "/more.json" => [
      200,
      {"content-type" => "application/json"},
      JSON.generate(title: "Loaded", more: "Brass & glass")
    ],
    "/styled" => "<title>Styled</title><style>.x{display:none}p{text-transform:uppercase}</style><p>Seen<p class=x>Not",
    "/moved" => [302, {"location" => "/styled"}, ""]
  }.freeze

  class << self
    def sites
      @sites ||=
        {"small.example" => SmallSite.new(PAGES).port, "www.skerrylamps.example" => SiteServer.skerry.port}
          .to_h { |host, port| ["#{host}:80", "127.0.0.1:#{port}"] }
    end

    def chromium = @chromium ||= Chromium.session(resolve: sites)

    def browser
      @browser ||=
        begin
          settings =
            Core::Settings::Crawl.new(
              "start_urls" => ["http://small.example/"],
              "resolve" => sites
            )
          way =
            Fetch::Rendering::RequestPolicy.new(
              addresses: Fetch::Http::HostResolver.of(settings),
              profile: Fetch::Http::RequestProfile.of(settings, Core::Settings::Secrets.new({})),
              token: settings.agent
            )
          Fetch::Rendering::Browser.new(way).tap { |one| Minitest.after_run { one.close } }
        end
    end
  end

  def test_pages_of_scripts_come_to_the_same
    %w[/ /styled /moved].each { |path| compare("http://small.example#{path}") }
  end

  def test_pages_of_the_demo_come_to_the_same
    %w[/ /lamps/ /guides/choose-a-lamp /journal/ /pt/].each { |path| compare("http://www.skerrylamps.example#{path}") }
  end

  private

  def compare(url)
    theirs = theirs(url)
    told = self.class.browser.render(Core::Url::NormalForm.parse(url), agent: "visitor")
    facts = Core::Rendering::Reading.new(told, agent: "IronTrellis").facts
    assert_equal theirs["url"], told.final_url, url
    assert_equal theirs["title"], facts.title
    assert_equal lines(theirs["text"]), lines(told.text)
    assert_equal [theirs["canonical"]], [facts.canonical&.url]
    # Their window has a scroll bar.
    assert_equal [theirs["content"], 1280].max, told.layouts.first.content
    ours = facts.links.select { |link| link.type == "anchor" }.map(&:target).uniq.sort
    assert_equal theirs["links"].map { |one| one.sub(FRAGMENT, "") }.grep(/\Ahttp/).uniq.sort, ours
  end

  # Once nothing is left to be loaded.
  def theirs(url)
    driver = self.class.chromium.driver.browser
    self.class.chromium.visit(url)
    Selenium::WebDriver::Wait.new(timeout: 20).until do
      driver.execute_script("return document.readyState") == "complete" &&
        (!url.end_with?("small.example/") || driver.title == "Loaded")
    end
    driver.execute_script(FACTS)
  end

  def lines(text) = text.split("\n").map { |line| line.gsub(/[[:space:]]+/, " ").strip }.reject(&:empty?)
end
