# frozen_string_literal: true

# What is told of copies on real documentation, against Jaccard's index worked out in full over another notion of main
# text than the program's: what libxml's parser finds outside navigation, headers, footers, asides and lists of links.
# Which share of those told are copies of the page that is said to stand for them, and which share of all copies is
# told. Pages with too few words for a run have no say. Pages of Debian's packages are read from their folders:
#
#   apt-get install python3-doc postgresql-doc-15 lilypond-doc-html libboost-doc cppreference-doc-en-html
#   ruby test/bench/copies_on_documentation.rb [PACKAGE]...
require_relative "support"
require_relative "../../iron_trellis"
require "nokogiri"

PACKAGES =
  ARGV.empty? ? %w[python3.11-doc postgresql-doc-15 lilypond-doc-html libboost1.74-doc cppreference-doc-en-html] : ARGV
Copies = IronTrellis::Core::Copies
NEAR = Copies::Finder::NEAR

# The pages of one package, in the place of a crawl's (Store::Pages::PageTexts).
class Documentation
  attr_reader :rows

  def initialize(package)
    reader = IronTrellis::Core::Page::Reader.new(agent: "x")
    @rows = files(package).filter_map { |file| row(reader, file) }
    ids = @rows.to_h { |row| [row["url"], row["url_id"]] }
    @rows.each { |row| row["anchor_targets"].map! { |target| ids.fetch(target, -1) } }
  end

  def words = @rows.sum { |row| row["words"] }

  def urls = @rows.map { |row| row["url"] }

  def each_group_sample =
    @rows
      .group_by { |row| row["group"] }
      .each do |group, rows|
        yield group, rows.sort_by { |row| row["url_id"] }.first(IronTrellis::Store::Pages::PageTexts::SAMPLE)
      end

  def in_folders(urls)
    wanted = urls.to_h { |url| [url, true] }
    yield(@rows.select { |row| wanted.key?(row["url"]) }.sort_by { |row| row["url"] })
  end

  def in_order(&block) = ordered.each_slice(500, &block)

  def ordered = @rows.sort_by { |row| [row["url"].size, row["url"]] }

  private

  def files(package) =
    `dpkg -L #{package}`.lines.map(&:chomp).grep(/\.html?\z/).select { |file| File.file?(file) && !File.symlink?(file) }

  def row(reader, file)
    url = "http://doc.test#{file.delete_prefix("/usr/share")}"
    facts =
      reader.call(
        url: IronTrellis::Core::Url::NormalForm.parse(url),
        header_lines: ["Content-Type: text/html"],
        body: File.binread(file)
      )
    return if facts.words.to_i.zero? || facts.refresh&.instant?

    anchors = facts.anchors || []
    {
      "url_id" => IronTrellis::Core::Url::NormalForm.id(1, url),
      "url" => url,
      "file" => file,
      "group" => url[%r{\Ahttp://doc.test/[^/]+/[^/]+/}],
      "texts" => facts.text,
      "frames" => facts.frames,
      "menus" => facts.menus,
      "words" => facts.words,
      "anchors" => anchors.flat_map { |one| [one.from, one.to, (one.sole ? 1 : 0) | (one.heading ? 2 : 0)] },
      "anchor_targets" => anchors.map(&:target)
    }
  rescue IronTrellis::Core::Page::Unreadable
    nil
  end
end

# What the copies are held to: shingles of each page's main text by another parser, as plain strings.
module OtherText
  ASIDE = "nav, header, footer, aside, script, style, noscript, template, form, [role=navigation], [role=banner]"
  LISTS = "ul, ol, dl, table, div, p"
  LINKS = 3
  LINKED = 0.8
  WORD = /[[:alnum:]_]+/

  module_function

  def runs(html)
    document = Nokogiri::HTML(html)
    body = document.at_css("body") or return {}
    body.css(ASIDE).each(&:unlink)
    body.css(LISTS).each { |list| list.unlink if list.parent && links?(list) }
    words = body.xpath(".//text()").map(&:text).join(" ").downcase.scan(WORD)
    # So few words say nothing (decision 35).
    return {} if words.size < IronTrellis::Core::Copies::MainText::LEAST_WORDS

    words.each_cons(5).to_h { |run| [run.join(" ").hash, true] }
  end

  def links?(list)
    anchors = list.css("a")
    anchors.size >= LINKS && signs(anchors) >= LINKED * [signs([list]), 1].max
  end

  def signs(nodes) = nodes.sum { |node| node.text.gsub(/[^[:alnum:]]/, "").size }
end

def similarity(one, other)
  both = (one.size < other.size) ? one.count { |run, _| other.key?(run) } : other.count { |run, _| one.key?(run) }
  all = one.size + other.size - both
  all.zero? ? 1.0 : both.fdiv(all)
end

# Every page that is a copy of an earlier one that is none itself. Two sets so alike share one of the rarest of their
# members (prefix filtering, Chaudhuri et al. 2006).
def true_copies(sets)
  frequency = sets.each_value.with_object(Hash.new(0)) { |set, counts| set.each_key { |run| counts[run] += 1 } }
  index = Hash.new { |all, run| all[run] = [] }
  sets.each_with_object({}) do |(url, set), found|
    prefix = set.keys.sort_by { |run| [frequency[run], run] }.first(set.size - (NEAR * set.size).ceil + 1)
    stands = prefix.flat_map { |run| index[run] }.uniq.find { |other| similarity(set, sets[other]) >= NEAR }
    stands ? found[url] = stands : prefix.each { |run| index[run] << url }
  end
end

total = Hash.new(0)
by_package = PACKAGES.to_h do |package|
  documentation = Documentation.new(package)
  finder = IronTrellis::Work::Judging::CopiesOfCrawl.new(documentation)
  rows = nil
  seconds = Bench.seconds { rows = finder.call }
  urls = documentation.rows.to_h { |row| [row["url_id"], row["url"]] }
  sets = documentation.ordered.to_h { |row| [row["url"], OtherText.runs(File.binread(row["file"]))] }
  told = rows.select { |row| row["copy_of"] }.to_h { |row| [urls.fetch(row["url_id"]), row] }
  right = told.count { |url, row| similarity(sets[url], sets[row["copy_of"]]) >= NEAR }
  exact = told.select { |_, row| row["similarity"] >= 1 }
  same =
    exact.count do |url, row|
      documentation.rows.find { |one| one["url"] == url }["texts"].split("\n").size ==
        documentation.rows.find { |one| one["url"] == row["copy_of"] }["texts"].split("\n").size
    end
  truth = true_copies(sets.reject { |_, set| set.empty? })
  found = truth.keys.count { |url| told.key?(url) }
  {
    pages: sets.size,
    told: told.size,
    right: right,
    exact: exact.size,
    exact_same: same,
    copies: truth.size,
    found: found
  }.each { |name, number| total[name] += number }
  [
    package,
    {
      pages: sets.size,
      told: told.size,
      precision: told.empty? ? nil : right.fdiv(told.size).round(3),
      recall: truth.empty? ? nil : found.fdiv(truth.size).round(3),
      seconds: seconds.round(1)
    }
  ]
end
Bench.report(
  bench: "copies_on_documentation",
  aim: 0.95,
  precision: total[:right].fdiv(total[:told]).round(3),
  recall: total[:found].fdiv(total[:copies]).round(3),
  **total,
  by_package: by_package
)
