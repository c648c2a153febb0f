# frozen_string_literal: true

# The search index stand-in, Gazetteer. Started by bin/demo and by the tests.
require_relative "application"

days = 486
run Gazetteer::Application.new(
  {
    "seed" => 7,
    "first_day" => (Date.today - days).iso8601,
    "lenient_from" => (Date.today - Gazetteer::Index::LENIENT_DAYS).iso8601,
    "hosts" => %w[www.skerrylamps.example skerrylamps.example www.skerrylamper.example],
    "address" => "127.0.0.1:#{ENV.fetch("TRELLIS_SITE_PORT", "7420")}"
  },
  file: File.expand_path("../../var/gazetteer.json", __dir__)
)
