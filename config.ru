# frozen_string_literal: true

# The application server; bin/server starts it.
require_relative "iron_trellis"

IronTrellis::Store::Postgres::Database.prepare
IronTrellis::Work::Runtime::Queue.connect
run IronTrellis::Api::Server.application
