# frozen_string_literal: true

require_relative "../test_helper"

# Laying out fixes: calendars, precedence, locks, deadlines, what can't be done, and what is wrong in a file.
class WorkplanTest < Minitest::Test
  W = IronTrellis::Core::Workplan
  CLOCK = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }

  # Begins on Monday, January 4, 2027.
  def plan(fixes, owners: [{"name" => "Ada"}], freezes: [], seconds: 0.2)
    fixes =
      fixes.map do |id, benefit, hours, more|
        {"id" => id, "benefit" => benefit, "hours" => hours, "owner" => "Ada"}.merge(more || {})
      end
    reading = W::Reading.new("start" => "2027-01-04", "owners" => owners, "freezes" => freezes, "fixes" => fixes)
    W::Scheduler.new(reading.owners, clock: CLOCK, seconds: seconds).call(reading.tasks)
  end

  def costs(problem, order)
    hours = 0.0
    order.sum { |place| problem.benefits[place] * (hours += problem.hours[place]) }
  end

  def days(plan) = plan.schedule.to_h { |one| [one[:id], one.values_at(:start, :finish, :finish_hours)] }

  def test_one_owner_by_benefit_an_hour
    found = plan([["x", 1, 4], ["y", 10, 2], ["z", 5, 8]])
    assert_equal %w[y z x], found.schedule.map { |one| one[:id] }
    assert_equal [10 * 2 + 5 * 10 + 14.0, 0.0, true], [found.objective, found.gap, found.proved?]
    assert_equal ["2027-01-04", "2027-01-05", 10.0], days(found)["z"]
  end

  def test_work_runs_over_nights_weekends_days_off_and_freezes_and_hours_count_only_what_is_worked
    owners = [{"name" => "Ada", "hours_per_day" => 5, "days" => %w[mon wed fri], "off" => ["2027-01-08"]}]
    found =
      plan([["x", 9, 6], ["y", 1, 5]], owners: owners, freezes: [{"from" => "2027-01-10", "to" => "2027-01-12"}])
    assert_equal({"x" => ["2027-01-04", "2027-01-06", 6.0], "y" => ["2027-01-06", "2027-01-13", 11.0]}, days(found))
  end

  def test_what_ends_with_a_day_ends_on_it_and_the_next_begins_on_the_next
    found = plan([["x", 9, 8], ["y", 1, 8]])
    assert_equal({"x" => ["2027-01-04", "2027-01-04", 8.0], "y" => ["2027-01-05", "2027-01-05", 16.0]}, days(found))
  end

  def test_across_owners_the_calendar_counts
    owners = [
      {"name" => "Ada", "hours_per_day" => 4},
      {"name" => "Bo", "hours_per_day" => 8, "days" => %w[mon tue]}
    ]
    found = plan([["x", 1, 6], ["y", 1, 3, {"owner" => "Bo", "after" => ["x"]}]], owners: owners)
    # Ada is done on Tuesday after two hours; Bo has then worked ten hours' time, eight of Monday and two of Tuesday.
    assert_equal ["2027-01-05", "2027-01-05", 13.0], days(found)["y"]
    late = plan([["x", 1, 9], ["y", 1, 3, {"owner" => "Bo", "after" => ["x"]}]], owners: owners)
    assert_equal ["2027-01-11", "2027-01-11", 19.0], days(late)["y"], "on Wednesday Bo doesn't work"
  end

  def test_locks_stand_and_others_go_around_them
    found = plan([["x", 9, 10], ["y", 1, 2, {"locked_start" => "2027-01-05"}], ["z", 1, 6]])
    assert_equal(
      {"z" => 6.0, "y" => 10.0, "x" => 20.0},
      found.schedule.to_h { |one| one.values_at(:id, :finish_hours) }
    )
    assert_equal ["2027-01-05", "2027-01-05", 10.0], days(found)["y"]
  end

  def test_not_before_and_deadlines_bind_where_all_can_be_met
    found =
      plan([["x", 9, 8], ["y", 1, 8, {"deadline" => "2027-01-04"}], ["z", 5, 1, {"not_before" => "2027-01-06"}]])
    assert_equal(
      {"y" => 8.0, "x" => 16.0, "z" => 17.0},
      found.schedule.to_h { |one| one.values_at(:id, :finish_hours) }
    )
    assert_empty found.to_h[:late]
  end

  def test_of_deadlines_that_cannot_all_be_met_as_few_as_can_be_are_missed_and_told_why
    fixes = [["x", 1, 8], ["y", 9, 12], ["z", 2, 4]].map { |one| [*one, {"deadline" => "2027-01-05"}] }
    late = plan(fixes).to_h[:late]
    assert_equal 1, late.size
    assert_equal %w[2027-01-05 2027-01-06], late.first.values_at(:deadline, :finish)
    assert_equal 2, late.first[:because].size
  end

  def test_what_no_layout_can_place_is_told_with_why
    fixes = [
      ["a", 1, 8, {"locked_start" => "2027-01-09"}],
      ["b", 1, 8, {"locked_start" => "2027-01-04"}],
      ["c", 1, 8, {"locked_start" => "2027-01-04"}],
      ["d", 1, 9, {}],
      ["e", 1, 1, {"locked_start" => "2027-01-05", "after" => ["d"]}],
      ["f", 1, 1, {"after" => ["e"]}],
      ["g", 1, 1, {"owner" => "Bo"}],
      ["h", 1, 1, {"locked_start" => "2026-12-31"}]
    ]
    found = plan(fixes, owners: [{"name" => "Ada"}, {"name" => "Bo", "days" => []}])
    assert_equal %w[a c e f g h], found.impossible.keys.sort
    assert_match(/on which Ada doesn't work/, found.impossible["a"])
    assert_match(/when Ada is at b/, found.impossible["c"])
    assert_match(/and d, which comes before it, can't be done by then/, found.impossible["e"])
    assert_match(/it comes after e/, found.impossible["f"])
    assert_match(/no working hours/, found.impossible["g"])
    assert_equal %w[b d], found.schedule.map { |one| one[:id] }
    nothing = plan([["a", 1, 8, {"locked_start" => "2027-01-09"}]])
    assert_equal [0.0, nil, []], nothing.to_h.values_at(:objective, :gap, :schedule)
  end

  def test_a_freeze_over_everything_leaves_nothing_to_place
    found = plan([["x", 1, 8]], freezes: [{"from" => "2027-01-01", "to" => "2099-12-31"}])
    assert_equal ["x"], found.impossible.keys
  end

  def test_fixes_without_an_owner_go_to_who_is_done_first
    owners = [{"name" => "Ada"}, {"name" => "Bo"}]
    found = plan([["x", 9, 8, {"owner" => nil}], ["y", 5, 8, {"owner" => nil}], ["z", 1, 2]], owners: owners)
    assert_equal({"x" => "Ada", "y" => "Bo", "z" => "Ada"}, found.schedule.to_h { |one| one.values_at(:id, :owner) })
  end

  # Reference: all orders of small forests, tried one by one.
  def test_forests_have_the_best_order_there_is
    chance = Random.new(7)
    20.times do
      links = Array.new(6) { |place| (place.zero? || chance.rand < 0.3) ? [] : [chance.rand(place)] }
      turned = Array.new(6) { |place| links.each_index.select { |one| links[one] == [place] } }
      [links, turned].each do |before|
        fixes = before.each_with_index.map do |some, place|
          ["f#{place}", chance.rand(0..9), chance.rand(0..4), {"after" => some.map { |one| "f#{one}" }}]
        end
        problem = plan(fixes).problem
        orders = problem.tasks.each_index.to_a.permutation.select do |order|
          order.all? { |place| problem.before[place].all? { |one| order.index(one) < order.index(place) } }
        end
        best = orders.map { |order| costs(problem, order) }.min
        found = W::SeriesParallel.new(problem, (0...6).to_a)
        assert_in_delta best, found.objective, 1e-6
        assert_includes orders, found.order
      end
    end
  end

  # Each step needs the time it has: ten thousand in a chain would take hours if steps grew with what is there.
  def test_ten_thousand_fixes_in_a_chain_are_laid_out_one_behind_another
    names = Array.new(10_000) { |number| "f#{number}" }
    fixes = names.each_with_index.map do |name, number|
      [name, number * 37 % 101, 1 + number % 5, {"after" => names[number - 1, 1].first(number)}]
    end
    assert_equal names, plan(fixes, seconds: 0).schedule.map { |one| one[:id] }
  end

  def test_many_fixes_are_never_worse_than_as_they_came_and_always_laid_out_alike
    chance = Random.new(3)
    fixes =
      Array.new(40) do |number|
        more = {
          "owner" => %w[Ada Bo Cy].sample(random: chance),
          "after" => (0...number).select { chance.rand < 0.04 }.map { |one| "f#{one}" }
        }
        ["f#{number}", chance.rand(1..90), chance.rand(1..32) / 4.0, more]
      end
    owners = %w[Ada Bo Cy].map { |name| {"name" => name} }
    found, again = Array.new(2) { plan(fixes, owners: owners, seconds: 0.3) }
    assert_equal found.to_h, again.to_h
    problem = found.problem
    assert_operator found.layout, :<=, W::Layout.new(problem, W::Placing.new(problem), problem.in_order)
    assert_operator found.bound, :<=, found.objective
    hours = found.schedule.to_h { |one| one.values_at(:id, :finish) }
    fixes.each { |id, _, _, more| more["after"].each { |one| assert_operator hours[one], :<=, hours[id] } }
  end

  {
    [] => /The file must be an object/,
    {"start" => "4.1.2027"} => /start must be a day such as 2027-01-04/,
    {"start" => "2027-01-04", "owners" => []} => /no owner/,
    {"start" => "2027-01-04", "owners" => [{"name" => "A", "days" => ["fry"]}]} => /“fry” in days of A is no day/,
    {"start" => "2027-01-04", "owners" => [{"name" => "A", "hours_per_day" => 25}]} => /from 0 to 24/,
    {"start" => "2027-01-04", "owners" => [{"name" => "A"}, {"name" => "A"}]} => /two of owner A/
  }.each_with_index do |(values, message), number|
    define_method("test_what_is_wrong_in_a_file_is_told_#{number}") do
      assert_match(message, assert_raises(IronTrellis::Core::Error::InvalidInput) { W::Reading.new(values) }.message)
    end
  end

  def test_what_is_wrong_about_fixes_is_told
    {
      [["x", 1, 8, {"owner" => "Zoe"}]] => /x belongs to Zoe, who isn't among the owners Ada/,
      [["x", 1, 8, {"after" => ["q"]}]] => /x comes after q, which isn't there/,
      [["x", -1, 8]] => /benefit of x must be a number from 0/,
      [["x", 1, 8, {"after" => ["y"]}], ["y", 1, 8, {"after" => ["z"]}], ["z", 1, 8, {"after" => ["x"]}]] =>
        /circle: x -> y -> z -> x/,
      [["x", 1, 8], ["x", 1, 8]] => /two of fix x/
    }.each do |fixes, message|
      assert_match message, assert_raises(IronTrellis::Core::Error::InvalidInput) { plan(fixes) }.message
    end
  end
end
