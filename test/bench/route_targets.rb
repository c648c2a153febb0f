# frozen_string_literal: true

# Suggesting targets for so many lost addresses among so many live pages: seconds, of which for the index.
#
#   ruby test/bench/route_targets.rb [LOST] [LIVE]
require_relative "support"
require_relative "../../iron_trellis"

LOST = Integer(ARGV[0] || 2_000)
LIVE = Integer(ARGV[1] || 100_000)
WORDS = %w[
  lamp
  wick
  burner
  lens
  beacon
  anchor
  mast
  harbour
  brass
  copper
  glass
  oil
  flame
  signal
  storm
  tide
  keeper
  light
  globe
  hood
  bracket
  chain
  hook
  shade
  mirror
  gallery
  lantern
].freeze
RANDOM = Random.new(7)

Routes = IronTrellis::Core::Redirects

def name(number) = [*WORDS.sample(3, random: RANDOM), number % 9973].join("-")

pages = Array.new(LIVE) do |number|
  slug = name(number)
  Routes::LivePages::Page.new(
    url: "http://made.example/g#{number % 60}/#{slug}",
    title: slug.tr("-", " ").capitalize,
    lang: %w[en pt da][number % 3],
    text: number.to_s,
    importance: number % 100
  )
end
# A third moved to another folder, a third is written a little differently, a third has no similarity but what links
# call it.
lost = Array.new(LOST) do |number|
  page = pages.sample(random: RANDOM)
  slug = page.url[%r{[^/]+\z}]
  url =
    [
      -> { "http://made.example/old/#{slug}" },
      -> { "http://made.example/shop/#{slug.sub(/[aeiou]/, "")}" },
      -> { "http://made.example/item?id=#{number}" }
    ][
      number % 3
    ].call
  Routes::Targets::Lost.new(url: url, anchors: [page.title], links_in: number % 4)
end

found = nil
index =
  Bench.seconds do
    @targets =
      Routes::Targets.new(
        Routes::LivePages.new(pages),
        IronTrellis::Core::Languages::OfPlaces.new(pages.to_h { |page| [page.url, page.lang] })
      )
  end
whole = index + Bench.seconds { found = lost.map { |one| @targets.for(one) } }
Bench.report(
  bench: "route_targets",
  lost: LOST,
  live: LIVE,
  seconds: whole.round(1),
  index_seconds: index.round(1),
  with_target: found.count { |all| all.first.target },
  megabytes: Bench.kilobytes(Process.pid) / 1024
)
