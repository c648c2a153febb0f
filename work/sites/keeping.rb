# frozen_string_literal: true

require "uri"

module IronTrellis
  module Work
    module Sites
      # Keeping a site with all that a form says of it: settings, what is wanted, secrets and timetable; all of it is
      # kept, or nothing.
      module Keeping
        # What reaches into the network of the machine that crawls is for who runs it to permit:
        # TRELLIS_OWN_NETWORK=yes.
        PERMISSION = "TRELLIS_OWN_NETWORK"
        # By them it is decided who gets a secret.
        WHERE = %w[start_urls list hosts resolve].freeze

        module_function

        # @param address [String] of a server that is asked on somebody's behalf
        # @return [String] in normal form
        # @raise [Core::Error::InvalidInput] where it is none that can be asked (RFC 3986)
        def read_address(address)
          found = Core::Url::NormalForm.parse(address).to_s
          return found if [address, found].all? { |one| URI(one.strip).is_a?(URI::HTTP) }

          raise Core::Error::InvalidInput.new("“#{address}” is no web address.")
        rescue URI::Error
          raise Core::Error::InvalidInput.new(
                  "“#{address}” is no web address: signs that may not stand there are to be written with %."
                )
        end

        # @param address [String] of a server that is asked on somebody's behalf
        # @return [Array<Array(String, Integer)>] addresses and ports behind it
        # @raise [Core::Error::InvalidInput] where it lies on this machine's network and that isn't permitted
        def check_address(address)
          parts = Core::Url::NormalForm.parse(read_address(address))
          Fetch::Http::HostResolver
            .new(resolve: {}, allow_private: ENV[PERMISSION] == "yes")
            .find(parts.host, parts.effective_port)
        rescue Fetch::Http::FetchError => error
          raise Core::Error::InvalidInput.new("#{address} can't be asked: #{error.message}.")
        end

        # @param input [Hash] name, settings, and where given intents, key_pages, secrets, timetable
        # @param by [String]
        # @param now [Time]
        # @return [Store::Sites::Site]
        # @raise [Core::Error::InvalidInput, Core::Error::Conflict]
        def make(input, by:, now:)
          settings = Core::Settings::Crawl.new(input["settings"])
          permit(settings, input["secrets"])
          Store::Sites::Site.transaction do
            Store::Sites::Site
              .register(name: input["name"], settings: settings)
              .tap { |site| keep(site, input, by, now) }
          end
        end

        # @param site [Store::Sites::Site]
        # @param input [Hash] as #make takes it
        # @param by [String]
        # @param now [Time]
        # @return [Store::Sites::Site]
        # @raise [Core::Error::InvalidInput, Core::Error::Conflict]
        def change(site, input, by:, now:)
          settings = Core::Settings::Crawl.new(input["settings"])
          permit(settings, input["secrets"])
          ask_again(site, settings, input["secrets"] || {})
          site.transaction do
            site.rename(input["name"])
            site.update!(settings: settings.to_h)
            keep(site, input, by, now)
          end
          site.reload
        end

        def keep(site, input, by, now)
          if input["intents"] || input["key_pages"]
            Intents::UpdateIntents.change(
              site,
              intents: input["intents"] || [],
              key_pages: input["key_pages"] || [],
              by: by,
              now: now
            )
          end
          if input["secrets"]
            Store::Settings::Secrets.keep(site.id, nil, before(site, input["secrets"]).with(input["secrets"]))
          end
          Store::Crawling::Timetable.keep(site, timetable(input["timetable"]), now) if input.key?("timetable")
        end

        # Those that can't be read any more can be replaced, but not kept.
        def before(site, typed)
          Store::Settings::Secrets.of(site.id)
        rescue Store::Settings::Secrets::Unreadable => error
          left = typed.select { |_, value| value.to_s.include?(Core::Settings::Secrets::HIDDEN) }.keys
          raise Core::Settings::Problems.new(left.map { |name| {field: name, message: error.message} }) if left.any?

          Core::Settings::Secrets.new({})
        end

        def timetable(given) =
          given && Core::Settings::Timetable.new(cron: given["cron"], time_zone: given["time_zone"])

        def permit(settings, secrets)
          return if ENV[PERMISSION] == "yes"

          asked =
            {
              "allow_private" => settings.allow_private,
              "resolve" => settings.resolve.any?,
              "proxy" => !(secrets || {})["proxy"].to_s.empty?
            }.select { |_, wanted| wanted }.keys
          if asked.any?
            raise Core::Settings::Problems.new(
                    asked.map do |field|
                      {
                        field: field,
                        message:
                          "This isn't permitted on this installation. Who runs it can permit private addresses, host " \
                          "maps and proxies: #{PERMISSION}=yes."
                      }
                    end
                  )
          end
        end

        # A password that was typed for one host shall not go to another because a map was changed by somebody who never
        # knew it.
        def ask_again(site, settings, secrets)
          kept = before(site, secrets)
          return if kept.none? || WHERE.all? { |name| settings.to_h[name] == site.crawl_settings.to_h[name] }

          hidden =
            kept
              .redacted
              .select do |name, value|
                value.to_s.include?(Core::Settings::Secrets::HIDDEN) &&
                  (secrets[name].nil? || secrets[name].to_s.include?(Core::Settings::Secrets::HIDDEN))
              end
              .keys
          if hidden.any?
            raise Core::Settings::Problems.new(
                    hidden.map do |name|
                      {
                        field: name,
                        message:
                          "Where requests go was changed, so this must be typed again, or emptied: it would be sent " \
                          "there."
                      }
                    end
                  )
          end
        end
        private_class_method :keep, :before, :timetable, :permit, :ask_again
      end
    end
  end
end
