# frozen_string_literal: true

# What hostile requests cost the server: fifty to every route that changes something, as large as the route takes and
# larger, of a person who is signed in, eight at once. How much memory the server has before, at most and afterwards,
# and how long another person's small request takes meanwhile. On a copy of the demo's database, which must be there.
#
#   ruby test/bench/hostile_requests.rb [REQUESTS]
require_relative "support"
require "json"
require "net/http"
require "yaml"

REQUESTS = Integer(ARGV[0] || 50)
PORT = Bench.free_port
COPY = "iron_trellis_bench"
PATHS = YAML.load_file(File.join(Bench::ROOT, "api/openapi.yaml"))["paths"]
WRITING = PATHS.flat_map { |path, verbs| verbs.keys.grep(/post|put|patch/).map { |verb| [verb, path] } }
  .reject { |_, path| path.match?(%r{\A/(?:session|accounts)\z|/crawls\z|/demo}) }
TEXT = "x," * 400_000
BODIES = [
  JSON.generate(text: TEXT, name: TEXT, value: {to: TEXT}),
  JSON.generate(format: "csv", text: "from,to,status\n#{"http://a.test/#{"x" * 40},http://a.test/y,301\n" * 150_000}"),
  JSON.generate(values: Array.new(40_000) { |number| {subject: "http://a.test/#{number}", value: {intent: "index"}} }),
  "[" * 500_000,
  "x" * 30_000_000
].freeze

# One signed-in person.
class Person
  def initialize
    @http = Net::HTTP.start("127.0.0.1", PORT, read_timeout: 120)
    @headers = {"content-type" => "application/json"}
    session
    body = {email: "ines@skerrylamps.example", password: "trim-the-wick"}
    ask("post", "/session", JSON.generate(body))
    session
  end

  def session
    answer = ask("get", "/session")
    @headers["cookie"] = answer["set-cookie"].split(";").first if answer["set-cookie"]
    @headers["x-csrf-token"] = JSON.parse(answer.body)["csrf_token"]
  end

  def ask(verb, path, body = nil)
    request = Net::HTTP.const_get(verb.capitalize).new("/api#{path}", @headers)
    request.body = body
    answer = @http.request(request)
    @headers["cookie"] = answer["set-cookie"].split(";").first if answer["set-cookie"]
    answer
  end
end

def megabytes(pid) = Bench.kilobytes(pid) / 1024

Dir.chdir(Bench::ROOT)
url = ->(name) { `bin/postgres url #{name}`.strip }
system("psql", "-qX", url.call("postgres"), "-c", "DROP DATABASE IF EXISTS #{COPY}", "-c", "CREATE DATABASE #{COPY}")
system("pg_dump '#{url.call("iron_trellis")}' | psql -qX '#{url.call(COPY)}' >/dev/null 2>&1")
environment = {"TRELLIS_PORT" => PORT.to_s, "TRELLIS_ENV" => "", "TRELLIS_DATABASE" => COPY}
server = spawn(environment, File.join(Bench::ROOT, "bin/server"), %i[out err] => File::NULL)
begin
  sleep 0.2 until Bench.answers?(PORT)
  other = Person.new
  before = megabytes(server)
  most, slow, done = before, [], false
  watch = Thread.new {
    (most = [most, megabytes(server)].max
     sleep 0.05) until done
  }
  small =
    Thread.new do
      until done
        slow << Bench.seconds { other.ask("get", "/sites") }
        sleep 0.2
      end
    end
  queue = Queue.new
  WRITING.each { |verb, path| REQUESTS.times { |number| queue << [verb, path, BODIES[number % BODIES.size]] } }
  total = queue.size
  statuses = Hash.new(0)
  8.times.map {
    Thread.new do
      person = Person.new
      loop do
        verb, path, body = queue.pop(true)
        answer = person.ask(verb, path.gsub(/\{\w+\}/, "1"), body)
        statuses[answer.code] += 1
      rescue ThreadError
        break
      rescue IOError, SystemCallError, Timeout::Error
        statuses["closed"] += 1
        person = Person.new
      end
    end
  }.each(&:join)
  done = true
  [watch, small].each(&:join)
  sleep 2
  Bench.report(
    bench: "hostile_requests",
    requests: total,
    statuses: statuses.sort.to_h,
    megabytes: {before: before, most: most, after: megabytes(server)},
    small_seconds: {median: Bench.median(slow).round(3), most: slow.max.round(3)}
  )
ensure
  Process.kill("TERM", server)
  Process.wait(server)
end
