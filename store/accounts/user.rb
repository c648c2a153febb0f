# frozen_string_literal: true

require "bcrypt"

module IronTrellis
  module Store
    module Accounts
      # Someone who may sign in. Roles: so far every account is an auditor's.
      class User < Postgres::Record
        self.table_name = "users"

        LEAST_CHARS = 10
        # bcrypt heeds no more.
        MOST_BYTES = 72
        EMAIL = /\A[^\s@]+@[^\s@]+\z/
        # Checked where there is no such account, so that the answer takes as long.
        NOBODY = BCrypt::Password.create("nobody at all", cost: 12).freeze

        class << self
          # @return [User]
          # @raise [Core::Error::InvalidInput] with data[:problems]
          def register(email:, name:, password:)
            problems = problems(email, name, password)
            if problems.any?
              raise Core::Error::InvalidInput.new(problems.map { |one| one[:message] }.join(" "), problems: problems)
            end

            create!(email: email.strip, name: name.strip, password_digest: BCrypt::Password.create(password, cost: 12))
          rescue ActiveRecord::RecordNotUnique
            raise Core::Error::Conflict.new("There is an account for #{email} already. Sign in instead.")
          end

          # The account that an installation begins with. Of several who ask at once one is first.
          #
          # @return [User]
          # @raise [Core::Error::InvalidInput] with data[:problems]
          # @raise [Core::Error::Conflict] where there is an account
          def register_first(**values)
            transaction do
              Postgres::Sql.run("SELECT pg_advisory_xact_lock(hashtextextended('the first account', 0))")
              raise Core::Error::Conflict.new("There is an account already. Sign in instead.") if any?

              register(**values)
            end
          end

          # @return [User]
          # @raise [Core::Error::NotSignedIn]
          def sign_in(email:, password:)
            user = find_by("lower(email) = lower(?)", email.to_s.strip)
            digest = user ? BCrypt::Password.new(user.password_digest) : NOBODY
            return user if digest == password.to_s && user

            raise Core::Error::NotSignedIn.new("E-mail and password don't belong together. Check both and try again.")
          end

          private

          def problems(email, name, password)
            [
              [!EMAIL.match?(email.to_s.strip), "email", "“#{email}” is not an e-mail address."],
              [name.to_s.strip.empty?, "name", "Give a name."],
              [password.to_s.length < LEAST_CHARS, "password", "A password needs at least #{LEAST_CHARS} characters."],
              [password.to_s.bytesize > MOST_BYTES, "password", "A password can't be longer than #{MOST_BYTES} bytes."]
            ].filter_map { |wrong, field, message| {field: field, message: message} if wrong }
          end
        end
      end
    end
  end
end
