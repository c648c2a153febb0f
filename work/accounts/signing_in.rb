# frozen_string_literal: true

module IronTrellis
  module Work
    module Accounts
      # Who is signed in, and the first account of an installation.
      module SigningIn
        Session = Store::Accounts::Session
        User = Store::Accounts::User

        module_function

        # @param email [String]
        # @param password [String]
        # @param now [Time]
        # @return [Array(Store::Accounts::User, String)] with the token of a new session
        # @raise [Core::Error] where they don't belong together
        def call(email:, password:, now:)
          user = User.sign_in(email: email, password: password)
          [user, Session.begin(user, now)]
        end

        # @param person [Hash{Symbol => String}] email, name and password
        # @param now [Time]
        # @return [Array(Store::Accounts::User, String)] with the token of a new session
        # @raise [Core::Error] where there is one already, or something of it can't be taken
        def register_first(person, now:)
          ActiveRecord::Base.transaction do
            user = User.register_first(**person)
            [user, Session.begin(user, now)]
          end
        end

        # @param token [String, nil]
        # @return [void]
        def end(token) = Session.end(token)
      end
    end
  end
end
