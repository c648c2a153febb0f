# frozen_string_literal: true

require "digest"
require "securerandom"

module IronTrellis
  module Store
    module Accounts
      # Somebody who is signed in somewhere. The browser holds a token, the database only its digest; signing out, or
      # time, ends it here too.
      class Session < Postgres::Record
        self.table_name = "sessions"

        IDLE_DAYS = 14
        MOST_DAYS = 60
        # Written down at most so often.
        NOTED_SECONDS = 600

        belongs_to :user, class_name: "IronTrellis::Store::Accounts::User"

        class << self
          # @param user [User]
          # @param now [Time]
          # @return [String] its token
          def begin(user, now)
            where(created_at: ...(now - MOST_DAYS * 86_400)).delete_all
            SecureRandom
              .hex(32)
              .tap { |token| create!(user: user, digest: digest(token), created_at: now, seen_at: now) }
          end

          # @param token [String, nil]
          # @param now [Time]
          # @return [User, nil] nil where nobody is signed in by it, or not any more
          def user_of(token, now)
            session = token && of(token, now) or return nil

            session.update_columns(seen_at: now) if now - session.seen_at > NOTED_SECONDS
            session.user
          rescue ActiveRecord::ConnectionNotEstablished, ActiveRecord::ConnectionFailed, PG::Error => error
            raise Postgres::Database.lost(error)
          end

          # @param token [String, nil]
          # @return [void]
          def end(token) = token && where(digest: digest(token)).delete_all

          private

          def of(token, now)
            includes(:user).find_by(
              digest: digest(token),
              seen_at: (now - IDLE_DAYS * 86_400)..,
              created_at: (now - MOST_DAYS * 86_400)..
            )
          end

          def digest(token) = Digest::SHA256.hexdigest(token)
        end
      end
    end
  end
end
