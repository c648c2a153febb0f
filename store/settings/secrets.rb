# frozen_string_literal: true

require "fileutils"
require "json"
require "securerandom"

module IronTrellis
  module Store
    module Settings
      # Secrets of a site, and of each crawl as they were when it began, encrypted (Active Record Encryption).
      class Secrets < Postgres::Record
        self.table_name = "secrets"

        CANNOT_BE_READ = "#{Core::Settings::Secrets::HIDDEN} can't be read"

        # The key by which they were encrypted isn't there any more.
        class Unreadable < Core::Error::Conflict
          def initialize =
            super(
              "The secrets of this site can't be read: they were encrypted with another key. Bring that key back " \
              "(var/secret_key, or TRELLIS_SECRET_KEY), or type them again in the settings."
            )
        end

        encrypts :content

        class << self
          # @param site_id [Integer]
          # @param crawl_id [Integer, nil] nil for those that the site's next crawl takes
          # @return [Core::Settings::Secrets]
          # @raise [Unreadable]
          def of(site_id, crawl_id = nil)
            Keys.ready
            row = find_by(site_id: site_id, crawl_id: crawl_id)
            Core::Settings::Secrets.new(row ? JSON.parse(row.content) : {})
          rescue ActiveRecord::Encryption::Errors::Base
            raise Unreadable
          end

          # @param site_id [Integer]
          # @return [Hash{String => Object}] what may be shown; of each that can't be read, that
          def shown(site_id)
            of(site_id).redacted
          rescue Unreadable
            Core::Settings::Secrets
              .new({})
              .redacted
              .merge(%w[user password cookies].to_h { |name| [name, CANNOT_BE_READ] })
          end

          # @param secrets [Core::Settings::Secrets]
          # @return [void]
          def keep(site_id, crawl_id, secrets)
            Keys.ready
            where(site_id: site_id, crawl_id: crawl_id).delete_all
            create!(site_id: site_id, crawl_id: crawl_id, content: JSON.generate(secrets.to_h)) unless secrets.none?
          end
        end

        # The keys by which they are encrypted: TRELLIS_SECRET_KEY, else one of this installation, kept beside its data.
        # Without it they can't be read again.
        module Keys
          FILE = ROOT.join("var/secret_key")

          module_function

          # @return [void]
          def ready
            return if @ready

            key = ENV["TRELLIS_SECRET_KEY"] || own
            ActiveRecord::Encryption.configure(
              primary_key: key,
              deterministic_key: key,
              key_derivation_salt: "iron trellis #{key[0, 8]}"
            )
            @ready = true
          end

          def own
            FileUtils.mkdir_p(FILE.dirname)
            FILE.read
          rescue Errno::ENOENT
            make
            FILE.read
          end

          # Written beside it and then linked, so that of several who begin at once one is first and nobody reads half
          # of it.
          def make
            beside = "#{FILE}.#{Process.pid}.#{SecureRandom.hex(4)}"
            File.write(beside, SecureRandom.hex(32), perm: 0o600)
            File.link(beside, FILE)
          rescue Errno::EEXIST
            # Another was first.
          ensure
            File.delete(beside)
          end
          private_class_method :own, :make
        end
      end
    end
  end
end
