# frozen_string_literal: true

# How long the desk takes for a page of so many words and ten rivals once they are read: terms, rivals, checks and
# suggestions of the page as it is and as it is drafted, as its screen asks for them.
#
#   ruby test/bench/desk.rb [WORDS] [RIVALS]
require_relative "support"
require_relative "../../iron_trellis"

WORDS = Integer(ARGV[0] || 3_000)
RIVALS = Integer(ARGV[1] || 10)
ROUNDS = 5
Desk = IronTrellis::Core::Desk

# Words as a language has them: a few often, most seldom.
def text(chance)
  words = Array.new(4_000) { |number| "w#{number.to_s(26).tr("0-9", "q-z")}" }
  Array.new(WORDS / 12) { Array.new(12) { words[(chance.rand**3 * words.size).to_i] }.join(" ") + "." }
end

def page(seed)
  lines = text(Random.new(seed))
  Desk::Page.new(
    language: "en",
    texts: {"title" => [lines.first], "headings" => lines.first(8), "h1" => [lines[1]], "text" => lines},
    words: WORDS,
    images: 4,
    links: 40,
    outline: [[1, lines[1]]],
    pictures: []
  )
end

own, rivals = page(0), (1..RIVALS).map { |seed| page(seed) }
seconds =
  Array.new(ROUNDS) do
    Bench.seconds do
      against = Desk::Rivals.new(rivals, language: "en")
      drafted = Desk::Draft.new({"title" => "Another title"}).on(own)
      fits = [own, drafted].map { |one| Desk::Fit.new(one, phrases: ["wab wac"], rivals: against) }
      fits.each { |fit| [fit.call, fit.lacking, fit.terms] }
    end
  end
Bench.report(bench: "desk", words: WORDS, rivals: RIVALS, seconds: Bench.median(seconds).round(2))
