# frozen_string_literal: true

require_relative "small_site"

# Faults that are told of a small site of made-up pages.
module FaultsTold
  include CrawlHere

  def page(title, body = "", head: "") =
    "<!doctype html><html lang=en><head><title>#{title}</title>#{head}</head><body><main>" \
    "<h1>#{title}</h1>#{body}<p>#{(1..70).map { |number| "#{title}#{number}" }.join(" ")}</p></main></body></html>"

  # @return [Array<Array>] code, path and what it is about, in their order
  def told(site, *codes, **settings) = told_of(crawl_here(site, **settings), *codes)

  # (see #told)
  #
  # @param crawl [IronTrellis::Store::Crawling::Crawl] judged
  def told_of(crawl, *codes)
    sql = <<~SQL
      SELECT code, url, about FROM faults_#{crawl.verdict_run.id} WHERE code = ANY($1::text[])
      ORDER BY code, url COLLATE "C", about COLLATE "C"
    SQL
    IronTrellis::Store::Postgres::Sql.rows(sql, [IronTrellis::Store::Postgres::Sql.array(codes)]).map do |row|
      [row["code"], *row.values_at("url", "about").map { |text| text&.delete_prefix("http://small.example") }]
    end
  end
end
