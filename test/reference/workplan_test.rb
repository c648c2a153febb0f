# frozen_string_literal: true

require_relative "../test_helper"

# The scheduler against what is known of scheduling, and against trying everything by the clock.
class WorkplanReferenceTest < Minitest::Test
  W = IronTrellis::Core::Workplan
  CLOCK = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
  START = Date.new(2027, 1, 4)

  def task(id, benefit, hours, owner = "A", after = [], **dates) =
    W::Task.new(id: id, benefit: benefit, hours: hours, owner: owner, after: after, **dates)

  def schedule(tasks, owners = [W::WorkingTime.new(name: "A", start: START)]) =
    W::Scheduler.new(owners, clock: CLOCK, seconds: 0.1).call(tasks)

  # Source: W. E. Smith, Various optimizers for single-stage production, 1956: by benefit an hour; here for more than
  # are tried out, against its sum.
  def test_smiths_rule_on_a_hundred_tasks
    chance = Random.new(11)
    tasks = Array.new(100) { |number| task(number, chance.rand(1..99), chance.rand(1..32)/4r) }
    hours = 0
    sum = tasks.sort_by { |one| -one.benefit / one.hours }.sum { |one| one.benefit * (hours += one.hours) }
    found = schedule(tasks)
    assert_equal [sum.to_f.round(4), 0.0, true], [found.objective, found.gap, found.proved?]
  end

  # Source: W. A. Horn, Single-machine job sequencing with treelike precedence ordering and linear delay penalties,
  # SIAM J. Appl. Math. 23, 1972; E. L. Lawler, 1978: series and parallels. The values are those of trying all orders.
  def test_trees_and_series_parallel_orders_are_best
    chance = Random.new(5)
    {
      "out-tree" => ->(number) { number.zero? ? [] : [chance.rand(number)] },
      "in-forest" => ->(_) { [] },
      "series of parallels" => ->(number) { (number < 3) ? [] : (0...(number / 3 * 3)).to_a.last(3) }
    }.each do |name, after|
      10.times do
        tasks =
          Array.new(7) { |number| task(number, chance.rand(1..50), chance.rand(1..16)/4r, "A", after.call(number)) }
        tasks = reversed(tasks) if name == "in-forest"
        problem = W::Problem.new(tasks, [W::WorkingTime.new(name: "A", start: START)])
        assert_in_delta best_order(tasks), W::SeriesParallel.new(problem, (0...7).to_a).objective, 1e-6, name
      end
    end
  end

  # The smallest order that is not made of series and parallels: an N.
  def test_an_n_is_told_as_tangled_and_bounded_from_below
    tasks = [task(0, 1, 3), task(1, 2, 1), task(2, 9, 1, "A", [0]), task(3, 3, 2, "A", [0, 1])]
    problem = W::Problem.new(tasks, [W::WorkingTime.new(name: "A", start: START)])
    assert_raises(W::SeriesParallel::Tangled) { W::SeriesParallel.new(problem, [0, 1, 2, 3]).order }
    assert_operator W::Bound.new(problem).call, :<=, best_order(tasks)
  end

  # Everything tried, hour by hour of a calendar that is built anew here: quarters of hours as slots, each owner's free
  # slots taken in turn.
  def test_small_plans_are_best_by_trying_everything
    chance = Random.new(1956)
    60.times do |turn|
      tasks = made(chance)
      owners = {"A" => {hours: 8, off: []}, "B" => {hours: 5, off: [1, 2]}}
      times =
        owners.map do |name, one|
          W::WorkingTime.new(
            name: name,
            start: START,
            hours_per_day: one[:hours],
            off: one[:off].map { |day| START + day }
          )
        end
      found = schedule(tasks, times)
      late, objective = by_trying(tasks, owners)
      assert_equal [late, objective.to_f.round(4)], [found.layout.late.size, found.objective], "turn #{turn}"
      assert_operator W::Bound.new(found.problem).call, :<=, objective + 1e-6
    end
  end

  private

  def reversed(tasks)
    chance = Random.new(tasks.first.benefit)
    tasks
      .each_with_index
      .map { |one, number| task(one.id, one.benefit, one.hours, "A", (number < 2) ? [] : [chance.rand(number)].uniq) }
      .then { |some| turned(some) }
  end

  # What came before comes behind.
  def turned(tasks)
    behind = tasks.flat_map { |one| one.after.map { |id| [id, one.id] } }.group_by(&:first)
    tasks.map { |one| task(one.id, one.benefit, one.hours, "A", (behind[one.id] || []).map(&:last)) }
  end

  def best_order(tasks)
    orders(tasks)
      .map do |order|
        order.inject([0, 0]) { |(hours, sum), one| [hours + one.hours, sum + one.benefit * (hours + one.hours)] }.last
      end
      .min
      .to_f
  end

  def orders(tasks) =
    tasks.permutation.select do |order|
      rank = order.each_with_index.to_h { |one, place| [one.id, place] }
      order.all? { |one| one.after.all? { |id| rank[id] < rank[one.id] } }
    end

  def made(chance)
    Array.new(chance.rand(2..5)) do |number|
      dates = (chance.rand < 0.3) ? {deadline: START + chance.rand(0..5)} : {}
      dates[:not_before] = START + chance.rand(0..4) if chance.rand < 0.2
      after = (0...number).select { chance.rand < 0.3 }
      task(
        number,
        chance.rand(1..50),
        [1, 2, 8, 20, 31].sample(random: chance)/4r,
        %w[A B].sample(random: chance),
        after,
        **dates
      )
    end
  end

  # Slots of a quarter of an hour: [day, quarter of the day] in which an owner works, five weeks of them.
  def slots(owner)
    (0...35).flat_map do |day|
      next [] if [5, 6].include?(day % 7) || owner[:off].include?(day)

      Array.new(owner[:hours] * 4) { |quarter| [day, quarter] }
    end
  end

  def by_trying(tasks, owners)
    slots = owners.transform_values { |owner| slots(owner) }
    orders(tasks).map { |order| tried(order, slots) }.min
  end

  def tried(order, slots)
    taken = Hash.new(0)
    done = {}
    late = sum = 0
    order.each do |one|
      mine = slots[one.owner]
      first = taken[one.owner]
      earliest = [
        *one.after.map { |id| done[id] },
        (one.not_before ? [(one.not_before - START).to_i, 0] : nil)
      ].compact.max
      first += 1 while earliest && (mine[first] <=> earliest).negative?
      last = first + (one.hours * 4).to_i - 1
      taken[one.owner] = last + 1
      day, quarter = mine[last]
      done[one.id] = [day, quarter + 1]
      late += 1 if one.deadline && day > (one.deadline - START).to_i
      sum += one.benefit * (last + 1)/4r
    end
    [late, sum]
  end
end
