# frozen_string_literal: true

# Reading and checking a redirect map of so many rules, chains and loops among them: seconds, of which for reading the
# CSV.
#
#   ruby test/bench/route_map.rb [RULES]
require_relative "support"
require_relative "../../iron_trellis"

RULES = Integer(ARGV[0] || 20_000)
csv =
  "from,to,status\n" +
  Array
    .new(RULES) do |number|
      "http://made.example/old/#{number}," \
      "http://made.example/#{(number % 5 == 0) ? "old/#{(number + 1) % RULES}" : "new/#{number}"},301\n"
    end
    .join
csv << "http://made.example/old/x,http://made.example/old/y,301\n" \
"http://made.example/old/y,http://made.example/old/x,302\n"

routes = nil
flaws = nil
reading = Bench.median(Array.new(3) { Bench.seconds { routes, = IronTrellis::Ports::Redirects::Maps::Csv.read(csv) } })
checking =
  Bench.median(
    Array.new(3) do
      Bench.seconds do
        flaws = IronTrellis::Core::Redirects::MapCheck.new(routes).then { |check| [check.flaws, check.flattened] }
      end
    end
  )
Bench.report(
  bench: "route_map",
  rules: routes.size,
  seconds: (reading + checking).round(2),
  reading: reading.round(2),
  flaws: flaws.first.size,
  flattened: flaws.last.size
)
