# frozen_string_literal: true

# Laying out fixes of six owners with freezes, deadlines and precedence, made up by a fixed seed (the aim is 1,000 in
# under 10 s, within 5 % of the bound): independent ones, chains within owners, and edges across owners.
#
#   ruby test/bench/scheduler.rb [FIXES]
require "date"
require_relative "support"
require_relative "../../iron_trellis"

FIXES = Integer(ARGV[0] || 1_000)
OWNERS = %w[Ada Bo Cy Di Ed Flo].freeze
START = Date.new(2027, 1, 4)
W = IronTrellis::Core::Workplan

def owners
  freezes = [(START + 21)..(START + 25), (START + 90)..(START + 100)]
  OWNERS.map.with_index do |name, place|
    W::WorkingTime.new(name: name, start: START, hours_per_day: 4 + place, off: [START + 7 * place], freezes: freezes)
  end
end

# Benefits over two decades, hours from a quarter to eight.
def task(number, chance, after, **dates) =
  W::Task.new(
    id: "F#{number}",
    benefit: (10**(chance.rand * 2)).round(1),
    hours: chance.rand(1..32) / 4.0,
    owner: OWNERS[number % OWNERS.size],
    after: after,
    **dates
  )

# One in ten has a deadline that it can meet where it comes a little sooner than it would.
def dates(number, chance) =
  (chance.rand < 0.1) ? {deadline: START + 60 + number / 4 + chance.rand(200)} : {}

def made(chance)
  Array.new(FIXES) { |number| task(number, chance, yield(number), **dates(number, chance)) }
end

def chain(number, chance) =
  (number >= OWNERS.size && chance.rand < 0.5) ? ["F#{number - OWNERS.size}"] : []

def measured(tasks)
  clock = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
  plan = nil
  seconds = Bench.seconds { plan = W::Scheduler.new(owners, clock: clock).call(tasks) }
  problem = plan.problem
  first_come = W::Layout.new(problem, W::Placing.new(problem), problem.in_order)
  {
    seconds: seconds.round(1),
    gap: plan.gap,
    late: plan.layout.late.size,
    of_first_come: (plan.objective / first_come.objective).round(3)
  }
end

chance = Random.new(7)
Bench.report(
  bench: "scheduler",
  fixes: FIXES,
  independent: measured(made(chance) { [] }),
  chains: measured(made(chance) { |number| chain(number, chance) }),
  across: measured(made(chance) { |number| (number.positive? && chance.rand < 0.3) ? ["F#{chance.rand(number)}"] : [] })
)
