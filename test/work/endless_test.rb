# frozen_string_literal: true

require_relative "../test_helper"

# Sites whose addresses never end: a crawl of them stays small, or says that it met one.
class EndlessTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  FRAME = "<div>Reference of the works, second edition, with corrections of last year</div>"

  def page(title, body) =
    "<html lang=en><head><title>#{title}</title></head><body>#{FRAME}<h1>#{title}</h1>#{body}</body></html>"

  def told(crawl) =
    IronTrellis::Store::Postgres::Sql
      .rows("SELECT about, detail FROM faults_#{crawl.verdict_run.id} WHERE code = 'crawl-trap' ORDER BY about")
      .map { |row| [row["about"].delete_prefix("http://small.example"), row["detail"]["kind"]] }

  # Every unknown path answers 200 with a page of relative links, in which two folders mix.
  def test_what_reads_like_the_missing_page_leads_nowhere
    lost =
      "<p>We keep no such sheet. Try one of the folders of this reference, or write to the office.</p><a " \
      "href=api/x>api</a> <a href=css/x>css</a> <a href=./>here</a>"
    real =
      (1..12).to_h do |number|
        [
          "/ref/#{number}",
          page(
            "Sheet #{number}",
            "<p>#{(1..40).map { |word| "sheet#{number}word#{word}" }.join(" ")}</p><a " \
            "href=/ref/#{number % 12 + 1}>next</a> <a href=broken#{number}/>broken</a>"
          )
        ]
      end
    site =
      SmallSite.new(
        real.merge("/" => page("Home", real.keys.map { |path| "<a href=#{path}>#{path}</a>" }.join("<br>")))
      ) { page("No such sheet", lost) }
    crawl = crawl_here(site, concurrency: 1)
    rows = rows_of(crawl)
    assert_empty real.keys - rows.keys
    assert_operator site.targets.size, :<, 60
    assert rows["/ref/broken1/"]["soft_missing"]
  end

  def test_a_maze_and_a_calendar_are_told_in_a_short_crawl
    site =
      SmallSite.new(
        "/" =>
          page(
            "Home",
            "<p>Home</p><a href=/maze/api/>maze</a> <a href=/days/2031-01-01>days</a> <a href=/news/2030/05/>news</a>"
          )
      ) do |path|
        if path.start_with?("/maze/")
          page(path, "<p>#{path.tr("/", " ")}</p>#{%w[api css js].map { |name| "<a href=#{name}/>#{name}</a>" }.join}")
        elsif path.start_with?("/days/")
          page(
            path,
            "<p>#{path}</p><a href=/days/#{Date.parse(path[6..]) + 1}>next</a> <a " \
            "href=/days/#{Date.parse(path[6..]) + 30}>later</a>"
          )
        elsif path.start_with?("/news/") && path < "/news/2030/09/"
          page(path, "<p>#{path}</p><a href=/news/2030/0#{path[-2].to_i + 1}/>next</a>")
        end
      end
    assert_equal [["/days/#-#-#", "calendar"], ["/maze/…", "repeating segments"]], told(crawl_here(site, limit: 500))
  end
end
