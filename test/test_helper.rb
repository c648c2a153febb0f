# frozen_string_literal: true

ENV["TRELLIS_ENV"] = "test"
# All sites of the tests lie on this machine.
ENV["TRELLIS_OWN_NETWORK"] = "yes"
if ENV["COVERAGE"]
  require "simplecov"
  SimpleCov.start { add_filter %r{^/(test|vendor)/} }
end

require "bundler/setup"

# A gem asks whether files are there in a way that Ruby 3.1 warns of, at each language.
Warning.singleton_class.prepend(
  Module.new { def warn(message, **) = message.include?("/stopwords-filter-") ? nil : super }
)
require "minitest/autorun"
require "json"
require "securerandom"
require "tmpdir"
require "yaml"
require_relative "../iron_trellis"
Dir[File.join(__dir__, "support/*.rb")].sort.each { |file| require file }
