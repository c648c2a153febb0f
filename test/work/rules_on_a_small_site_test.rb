# frozen_string_literal: true

require_relative "../test_helper"

# Rules for which the database picks what is looked at, on sites of a few pages.
class RulesOnASmallSiteTest < Minitest::Test
  include TestDatabase
  include FaultsTold

  def test_images_without_alt_wherever_they_lie_and_not_their_other_sizes
    images =
      '<img src="/a.png"><img src="/b.png" alt=""><img src="http://cdn.example/c.png" srcset="/c2.png 2x">' \
      '<picture><source srcset="/d2.png"><img src="/d.png" alt="D"></picture>'
    site =
      SmallSite.new(
        "/" => page("Home", images),
        "/a.png" => [200, {"content-type" => "image/png"}, "x"],
        "/b.png" => [200, {"content-type" => "image/png"}, "x"],
        "/d.png" => [500, {"content-type" => "image/png"}, "x"],
        "/c2.png" => [200, {"content-type" => "image/png"}, "x"],
        "/d2.png" => [200, {"content-type" => "image/png"}, "x" * 200_001]
      )

    assert_equal [
      %w[image-broken / /d.png],
      %w[image-heavy / /d2.png],
      %w[image-no-alt / http://cdn.example/c.png],
      %w[image-no-alt / /a.png]
    ],
      told(site, "image-no-alt", "image-broken", "image-heavy", retries: 0)
  end

  def test_forms_of_an_address_that_answer_alike
    links = %w[/x /x/ /Case /case /dir/ /dir/index.php /moved /moved/].map { |path| "<a href=#{path}>#{path}</a>" }.join
    site =
      SmallSite.new(
        "/" => page("Home", links),
        "/x" => page("X"),
        "/x/" => page("Xslash"),
        "/Case" => page("Case"),
        "/case" => page("Lower"),
        "/dir/" => page("Dir"),
        "/dir/index.php" => page("Index"),
        "/moved" => [301, {"location" => "/moved/"}, ""],
        "/moved/" => page("Moved")
      )

    assert_equal [
      %w[case-variants /Case /case],
      %w[case-variants /case /Case],
      %w[index-file-variants /dir/ /dir/index.php],
      %w[index-file-variants /dir/index.php /dir/],
      %w[slash-variants /x /x/],
      %w[slash-variants /x/ /x]
    ],
      told(site, "case-variants", "index-file-variants", "slash-variants")
  end

  def test_other_telephone_numbers_in_the_text
    data = '<script type="application/ld+json">{"@context":"https://schema.org","@type":"NewsMediaOrganization",' \
      '"name":"Skerry Lamps","telephone":"+44 1632 960031"}</script>'
    footer = ->(number) { "<address>Skerry Lamps<br>Tel. #{number}</address>#{data}" }
    links = %w[a b c d].map { |path| "<a href=/#{path}>#{path}</a>" }.join
    site =
      SmallSite.new(
        "/" => page("Home", links + footer.call("01632 960031")),
        "/a" => page("A", footer.call("01632 960031")),
        "/b" => page("B", footer.call("01632 960031")),
        "/c" => page("C", "#{footer.call("01632/960 031")}<pre>Skerry Lamps\nTel. 01632 960099</pre>"),
        "/d" => page("D", footer.call("01632 960032"))
      )
    assert_equal [["facts-differ", "/d", "01632 960032"]], told(site, "facts-differ")
  end

  def test_nofollow_on_a_link_and_on_a_page
    site =
      SmallSite.new(
        "/" =>
          page(
            "Home",
            '<a href=/a rel=nofollow>a</a> <a href=/b>b</a> <a href="http://other.example/" rel=nofollow>o</a>'
          ),
        "/b" => page("B", "<a href=/c>c</a>", head: '<meta name=robots content="nofollow">')
      )
    assert_equal [["nofollow-internal", "/", "/a"], ["nofollow-internal", "/b", nil]], told(site, "nofollow-internal")
  end

  def test_members_of_a_set_that_name_fewer_than_others
    tongues = ->(*names) do
      names.map { |name| "<link rel=alternate hreflang=#{name} href=http://small.example/#{name}>" }.join
    end
    site =
      SmallSite.new(
        "/" => page("Home", "<a href=/en>en</a>"),
        "/en" => page("En", head: tongues.call("en", "da")),
        "/da" => page("Da", head: tongues.call("en", "da", "pt")),
        "/pt" => page("Pt", head: tongues.call("en", "da", "pt"))
      )
    assert_equal [%w[hreflang-no-return /pt /en], %w[hreflang-sets-differ /en /da]],
      told(site, "hreflang-sets-differ", "hreflang-no-return")
  end

  def test_what_is_kept_out_and_open_climbs_however_thin_or_alike_it_is
    thin = "<html><head><title>Thin</title></head><body>few words</body></html>"
    site =
      SmallSite.new(
        "/" =>
          page("Home", "<a href=/out/thin>t</a> <a href=/out/copy>c</a> <a href=/copied>d</a> <a href=/out/shut>s</a>"),
        "/out/thin" => thin,
        "/copied" => page("Same"),
        "/out/copy" => page("Same"),
        "/out/shut" => page("Shut", head: "<meta name=robots content=noindex>")
      )
    crawl = crawl_here(site)
    IronTrellis::Work::Intents::UpdateIntents.replace(
      crawl.site,
      intents: [{"pattern" => "/out/*", "intent" => "keep_out"}],
      key_pages: [],
      by: "Test",
      now: Time.now
    )
    run = IronTrellis::Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
    assert_equal %w[/out/copy /out/thin],
      IronTrellis::Store::Postgres::Sql
        .run("SELECT url FROM faults_#{run.id} WHERE code = 'stray' ORDER BY 1")
        .column_values(0)
        .map { |url| url.delete_prefix("http://small.example") }
    assert_equal 2,
      IronTrellis::Store::Reports::Trellis.new(run, "strays").call[:groups].sum { |group| group[:through] }
  end

  def test_a_copy_settled_by_its_canonical_is_no_fault_and_the_one_that_most_name_stands
    text = "<p>#{(1..60).map { |number| "word#{number}" }.join(" ")}</p>"
    own = ->(path) { "<link rel=canonical href=http://small.example#{path}>" }
    copy = ->(canonical) { "<html><head><title>T</title>#{own.call(canonical)}</head><body>#{text}</body></html>" }
    site =
      SmallSite.new(
        "/" => page("Home", "<a href=/a>a</a> <a href=/bb>b</a> <a href=/c>c</a>"),
        "/a" => copy.call("/a"),
        "/bb" => copy.call("/bb"),
        "/c" => copy.call("/bb")
      )
    assert_equal [["copy-exact", "/a", "/bb"]], told(site, "copy-exact", "copy-near")
  end

  # A server that answers everything with a page: what is embedded stays what it is embedded as.
  def test_what_is_embedded_and_answers_with_a_page_is_broken_and_no_page
    embedded =
      "<img src=/shown.png alt=x><input type=image src=/button.png alt=Go><script src=/menu.js></script><script " \
      "src=/lost.js></script><link rel=stylesheet href=/look.css><img src=/gone.png alt=y>"
    site =
      SmallSite.new(
        "/" => page("Home", "#{embedded} <a href=/gone>gone</a>"),
        "/lost.js" => [404, {"content-type" => "text/html"}, "no"],
        "/gone.png" => [404, {"content-type" => "text/html"}, "no"],
        "/gone" => [404, {}, ""]
      ) { |path| page("Any #{path}") }
    crawl = crawl_here(site)
    rows = rows_of(crawl)
    assert_equal(
      {
        "/shown.png" => "image",
        "/button.png" => "image",
        "/menu.js" => "script",
        "/lost.js" => "script",
        "/look.css" => "style",
        "/gone.png" => "image"
      },
      rows
        .slice("/shown.png", "/button.png", "/menu.js", "/lost.js", "/look.css", "/gone.png")
        .transform_values { |row| row["kind"] }
    )
    codes = IronTrellis::Store::Postgres::Sql.run("SELECT code, about FROM faults_#{crawl.verdict_run.id} WHERE code " \
      "IN ('image-broken', 'resource-broken') ORDER BY " \
      "1, 2").values.map { |code, about| [code, about.delete_prefix("http://small.example")] }
    assert_equal [
      %w[image-broken /button.png],
      %w[image-broken /gone.png],
      %w[image-broken /shown.png],
      %w[resource-broken /look.css],
      %w[resource-broken /lost.js],
      %w[resource-broken /menu.js]
    ],
      codes
    assert_equal ["/gone"], IronTrellis::Store::Postgres::Sql.run("SELECT url FROM " \
      "faults_#{crawl.verdict_run.id} WHERE code = " \
      "'not-found'").column_values(0).map { |url| url.delete_prefix("http://small.example") }
    assert_equal 2, IronTrellis::Store::Reports::Trellis.new(crawl.verdict_run, "all").call[:pages]
    assert_equal ["HEAD"], site.requests.select { |one| one.target == "/shown.png" }.map(&:verb)
  end

  def test_nothing_is_important_where_nothing_says_what_matters
    links = (1..12).map { |number| "<a href=/p#{number}>p</a>" }.join
    pages =
      (1..12)
        .to_h { |number| ["/p#{number}", page("P#{number}", (number == 1) ? "<a href=/hub>hub</a>" : "")] }
        .merge("/" => page("Home", links), "/hub" => page("Hub", "<a href=/>home</a>"))
    crawl = crawl_here(SmallSite.new(pages))
    codes = ->(run) {
      IronTrellis::Store::Postgres::Sql.run("SELECT DISTINCT code FROM faults_#{run.id} WHERE code " \
          "IN ('few-links-in', 'too-deep')").column_values(0)
    }
    assert_empty codes.call(crawl.verdict_run)
    assert_equal [false, []], crawl.verdict_run.structure.values_at("important_known", "deep")
    IronTrellis::Work::Intents::UpdateIntents.replace(
      crawl.site,
      intents: [],
      key_pages: ["http://small.example/hub"],
      by: "Test",
      now: Time.now
    )
    run = IronTrellis::Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
    assert_equal ["few-links-in"], codes.call(run)
    assert run.reload.structure["important_known"]
  end

  def test_frames_lead_on_and_an_image_may_be_the_heading
    site = SmallSite.new("/" => "<html lang=en><head><title>Frames</title></head><frameset><frame src=/left><frame " \
      "src=/right></frameset></html>", "/left" => "<html><body><h1><img src=/l.png alt='The " \
      "works'></h1>#{"word " * 60}<a href=/right>r</a></body></html>", "/right" => "<html><body><h1><img " \
      "src=/l.png></h1>#{"word " * 60}</body></html>",
      "/l.png" => [200, {"content-type" => "image/png"}, "png"])
    assert_equal [["dead-end", "/right", nil], ["h1-missing", "/", nil], ["h1-missing", "/right", nil]],
      told(site, "dead-end", "h1-missing")
    assert_equal ["The works"], rows_of(crawl_here(site))["/left"]["h1"]
  end

  def test_icons_and_marks_in_the_text_need_no_name
    images =
      '<img src=/i/1234.png width=16 height=16 alt=x><img src=/i/2345.png alt="(3)">' \
      "<img src=/callouts/4.png alt=Look><img src=/i/3456.png width=640 height=20 alt=Banner>" \
      '<img src=/i/4567.png alt="A lamp">'
    assert_equal [%w[image-name / /i/3456.png], %w[image-name / /i/4567.png]],
      told(SmallSite.new("/" => page("Home", images)), "image-name")
  end

  def test_an_alternate_that_gives_its_place_away_is_told_once_a_page
    tongues = %w[da pt it].map { |code| "<link rel=alternate hreflang=#{code} href=http://small.example/#{code}>" }.join
    own = ->(path) { "<link rel=canonical href=http://small.example#{path}>" }
    pages = {
      "/" => page("Home", head: tongues),
      "/x" => page("X"),
      **%w[da pt it].to_h { |code| ["/#{code}", page(code, "<a href=/x>x</a>", head: own.call("/x"))] }
    }
    crawl = crawl_here(SmallSite.new(pages))
    faults = IronTrellis::Store::Postgres::Sql.rows("SELECT url, about, detail FROM " \
      "faults_#{crawl.verdict_run.id} WHERE code = 'hreflang-not-canonical'")
    assert_equal [["http://small.example/", "http://small.example/da", 3]],
      faults.map { |row| [row["url"], row["about"], row["detail"]["targets"]] }
  end

  # The heading differs, the words below it are those of the answer to a made-up address; another page has the same
  # frame and says something.
  def test_a_page_with_the_words_of_the_missing_one_under_another_heading_is_one
    frame = ->(heading, text) do
      [
        200,
        {"content-type" => "text/html"},
        "<html><head><title>#{heading}</title></head><body><div>Lamps and lights since 1931, made by hand in a net " \
        "loft by the harbour</div><h1>#{heading}</h1><p>#{text}</p><div>Write to us at the works, or call between " \
        "eight and four on any working day but Fridays</div></body></html>"
      ]
    end
    missing = ->(env) {
      frame.call("Nothing at #{env["PATH_INFO"]}", "We looked for #{env["PATH_INFO"]} everywhere " \
          "and could not find it, sorry.")
    }
    site = SmallSite.new({"/" => frame.call("Home", "Welcome to the works. <a href=/sold>s</a> <a href=/real>r</a> " \
      "<a href=/blank>b</a> <a href=/gone>g</a>"),
      "/gone" => frame.call("Net lamps", "These hung over the nets of the herring fleet.</p><p>We looked for /gone " \
      "everywhere and could not find it, sorry."),
      "/sold" => frame.call("Sold out", "We looked for /sold everywhere and could not find it, sorry."),
      "/real" => frame.call("Anchor lights", "Hung forward in the rigging they burn all night on a spoonful of " \
      "oil."), "/blank" => [200, {"content-type" => "text/html"}, "<html><body></body></html>"]}) { missing }
    crawl = crawl_here(site)
    all = told_of(crawl, *IronTrellis::Core::Faults::Registry.all.map(&:code))
    assert_equal [["soft-missing", "/gone", nil], ["soft-missing", "/sold", nil]],
      all.select { |_, url, _| %w[/gone /sold].include?(url) }, "what is to go has no other fault"
    assert_includes all, ["description-missing", "/real", nil]
    assert_empty IronTrellis::Store::Crawling::TrapsMet.of(crawl), "two are no trap"
    empty =
      SmallSite.new(
        {
          "/" =>
            page(
              "Home",
              "<a href=/blank>b</a> <a " \
                "href=/drawn>d</a>"
            ),
          "/drawn" => page("Drawn", "<svg><title>Icon</title></svg>"),
          "/blank" => [200, {"content-type" => "text/html"}, "<html><body></body></html>"]
        }
      ) { [200, {"content-type" => "text/html"}, "<html><body></body></html>"] }
    assert_equal [["soft-missing", "/blank", nil]], told(empty, "soft-missing", "title-many")
  end

  # The first time the server was busy; asked alone it answers at once.
  def test_slow_is_told_only_of_what_is_slow_when_asked_alone
    asked = Hash.new(0)
    busy = ->(env) do
      sleep(((asked[env["PATH_INFO"]] += 1) == 1 || env["PATH_INFO"] == "/slow") ? 0.4 : 0).then do
        page(env["PATH_INFO"])
      end
    end
    site = SmallSite.new("/" => page("Home", "<a href=/busy>b</a> <a " \
      "href=/slow>s</a>"), "/busy" => busy, "/slow" => busy)
    crawl = crawl_here(site)
    crawl.site.update!(thresholds: {"slow_ms" => 300})
    told = -> {
      IronTrellis::Store::Postgres::Sql.run("SELECT url FROM " \
          "faults_#{IronTrellis::Work::Judging::Judgement.alone(crawl, clock: -> { Time.now }).id} WHERE code = " \
          "'slow'").column_values(0)
    }
    assert_empty told.call, "nobody was asked again"
    refute IronTrellis::Work::Crawling::AskingAgain.new(crawl.reload).call(20)
    assert_equal ["http://small.example/slow"], told.call
    assert_equal 2, asked["/busy"]
  end
end
