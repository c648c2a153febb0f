# frozen_string_literal: true

require "socket"

module IronTrellis
  module Api
    module Http
      # Ends the statement of a request whose browser has gone: nobody waits for what it would find.
      class Leaving
        SECONDS = 0.25
        SOCKET = "puma.socket"

        # @param app [#call]
        def initialize(app)
          @app = app
          @watched = {}
          @lock = Mutex.new
        end

        # @param env [Hash]
        # @return [Array] Rack response
        def call(env)
          socket = env[SOCKET] or return @app.call(env)

          watch(socket, Store::Postgres::Database.canceller) { @app.call(env) }
        end

        private

        def watch(socket, canceller)
          @lock.synchronize do
            @watched[socket] = canceller
            @watcher = Thread.new { look } unless @watcher&.alive?
          end
          yield
        ensure
          # Under the lock, so that no other request's statement is ended that uses this connection next.
          @lock.synchronize { @watched.delete(socket) }
        end

        def look
          loop do
            sleep SECONDS
            @lock.synchronize { @watched.delete_if { |socket, canceller| gone?(socket) && canceller.call } }
          end
        end

        # A closed connection can be read, and gives nothing.
        def gone?(socket)
          socket.to_io.recv_nonblock(1, Socket::MSG_PEEK, exception: false).then { |read| read.nil? || read == "" }
        rescue SystemCallError, IOError
          true
        end
      end
    end
  end
end
