# frozen_string_literal: true

# The application server; bin/server starts it.
require_relative "iron_trellis"

IronTrellis::Store::Database.prepare
IronTrellis::Work::Queue.connect
run IronTrellis::Api::Server.application
