# frozen_string_literal: true

# The site stand-in: Skerry Lamp Works, all its hosts on one port. Started by bin/demo and by the tests.
require_relative "application"

run SkerrySite::Application.new(changes: File.expand_path("../../var/site-changes.jsonl", __dir__))
