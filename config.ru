# frozen_string_literal: true

# The application server; bin/server starts it.
require_relative "iron_trellis"

IronTrellis::Store::Postgres::Database.prepare
# Threads of the server, and a statement of a screen that took longer than anybody waits for.
IronTrellis::Store::Postgres::Database.connect(pool: 28, statement_seconds: IronTrellis::Api::App::STATEMENT_SECONDS)
IronTrellis::Work::Runtime::Queue.connect
run IronTrellis::Api::Server.application
