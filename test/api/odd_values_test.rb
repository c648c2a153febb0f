# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/api_here"
require "erb"
require "yaml"

# Each field of each route is sent values that nobody of good will sends, one at a time in a request that is right
# otherwise: none is an error of ours.
class OddValuesTest < Minitest::Test
  include ApiHere

  CONTRACT = YAML.load_file(IronTrellis::Api::App::CONTRACT)
  NUMBERS = [0, -1, 1.5, 2**31, 2**63, 10**30, -(2**63) - 1, 1e300, "-1", "9" * 19, "1e999"].freeze
  TEXTS = [
    "", " ", "a\u0000b", "\u{1F4A5}" * 40, "x" * 5_000, "%ff", "'; --", "../../x", "http://[", "http://a.test/|", "(",
    "*" * 300, "\\", "2026-13-45", "0000-01-01"
  ].freeze
  OTHERS = [nil, true, 0, "x", [], [nil], {}, {"a" => nil}].freeze
  # By the type that a field should have, since other types are refused everywhere alike.
  ODD = {"integer" => NUMBERS + OTHERS, "number" => NUMBERS + OTHERS, "string" => TEXTS + OTHERS}.freeze
  # What stands in several places, of one name and alike, is sent all of them once, and these wherever it stands else.
  FEW = {"integer" => [-1, 2**63], "number" => [-1, 10**30], "string" => ["a\u0000b", "9" * 19]}.freeze
  ELSE = ["x", nil].freeze
  # Those that end the session or take away what the others are asked about.
  LEFT_OUT = [%w[delete /session], %w[post /session], %w[post /accounts], %w[delete /sites/{site}],
    %w[delete /crawls/{crawl}]].freeze
  MOST_DEPTH = 6

  def setup
    super
    sign_up
    @crawl = judged_anew
    @site = Store::Crawling::Crawl.find(@crawl).site
    @url_id = call(:get, "/crawls/#{@crawl}/urls?limit=1")["rows"].first["url_id"]
  end

  def teardown
    Store::Postgres::Sql.run("DELETE FROM que_jobs WHERE queue LIKE 'crawl%'")
    @site.drop
    super
  end

  def test_no_odd_value_is_an_error_of_ours
    refused = wrong = 0
    bad = []
    each_request do |verb, path, body, told|
      status = sent(verb, path, body)
      bad << "#{verb} #{path[0, 80]} #{told} #{status}" if status >= 500 && status != 503
      wrong += 1 if status >= 500
      refused += 1 if status.between?(400, 499)
    end
    assert_empty bad
    assert_operator refused, :>, 3_000
  end

  private

  def sent(verb, path, body)
    headers = {"CONTENT_TYPE" => "application/json", "HTTP_X_CSRF_TOKEN" => @token.to_s}
    custom_request(verb.upcase, "/api#{path}", body && JSON.generate(body), headers)
    last_response.status
  end

  def each_request(&block)
    CONTRACT["paths"].each do |path, item|
      item.slice("get", "post", "put", "patch", "delete").each do |verb, operation|
        next if LEFT_OUT.include?([verb, path])

        parameters = [*item["parameters"], *operation["parameters"]].map { |one| whole(one) }
        body = operation.dig("requestBody", "content", "application/json", "schema")
        odd_paths(path, parameters) { |one, told| block.call(verb, one, body && sample(body), told) }
        odd_bodies(body) { |one, told| block.call(verb, filled(path, parameters), one, told) } if body
      end
    end
  end

  def odd_paths(path, parameters)
    parameters.each do |parameter|
      odd_of(parameter["name"], parameter["schema"]).each do |value|
        next if value.is_a?(Enumerable) || (parameter["in"] == "path" && value.to_s.empty?)

        yield filled(path, parameters, parameter["name"] => value), "#{parameter["name"]}=#{value.inspect[0, 40]}"
      end
    end
  end

  def odd_bodies(schema)
    places(schema).each do |place, leaf|
      odd_of(place.last, leaf).each do |value|
        yield placed(sample(schema), place, value), "#{place.join(".")}=#{value.inspect[0, 40]}"
      end
    end
  end

  def odd_of(name, schema)
    type = whole(schema)["type"]
    (@sent ||= Set.new).add?([name, schema]) ? ODD.fetch(type, OTHERS) : FEW.fetch(type, ELSE)
  end

  def filled(path, parameters, odd = {})
    given = parameters.to_h { |one| [one["name"], odd.fetch(one["name"]) { sample(one["schema"], one["name"]) }] }
    query = parameters.select { |one| one["in"] == "query" && (one["required"] || odd.key?(one["name"])) }
    address = path.gsub(/\{(\w+)\}/) { escaped(given.fetch($1)) }
    return address if query.empty?

    "#{address}?#{query.map { |one| "#{one["name"]}=#{escaped(given[one["name"]])}" }.join("&")}"
  end

  def escaped(value) = ERB::Util.url_encode(value.to_s)

  def whole(schema)
    schema = CONTRACT.dig(*schema["$ref"].delete_prefix("#/").split("/")) while schema["$ref"]
    schema
  end

  # Where a value stands in a body, down to lists and objects of any names, with its schema.
  def places(schema, depth = 0)
    schema = whole(schema)
    below = (depth < MOST_DEPTH) ? parts(schema) : {}
    [[[], schema], *below.flat_map { |key, one| places(one, depth + 1).map { |place, leaf| [[key, *place], leaf] } }]
  end

  def parts(schema) = (schema["properties"] || {}).merge(schema["items"] ? {0 => schema["items"]} : {})

  def placed(value, place, odd)
    return odd if place.empty?

    key, *rest = place
    inner = key.is_a?(Integer) ? Array(value) : value.to_h
    inner.dup.tap { |copy| copy[key] = placed(copy[key], rest, odd) }
  end

  NAMED = {
    "url" => "http://www.skerrylamps.example/about", "from" => "http://www.skerrylamps.example/old",
    "subject" => "http://www.skerrylamps.example/about", "name" => "odd", "kind" => "intent"
  }.freeze

  def sample(schema, name = nil)
    schema = whole(schema)
    return schema["enum"].first if schema["enum"]

    case schema["type"]
    when "integer", "number" then number(name)
    when "boolean" then false
    when "array" then [sample(schema["items"] || {})]
    when "object" then (schema["properties"] || {}).to_h { |key, one| [key, sample(one, key)] }
    else text(schema, name)
    end
  end

  def number(name) = {"site" => @site.id, "crawl" => @crawl}.fetch(name, 1)

  def text(schema, name)
    return @url_id if schema["pattern"]
    return "2026-12-07" if schema["format"] == "date"

    NAMED.fetch(name, "x")
  end
end
