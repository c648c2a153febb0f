# frozen_string_literal: true

module IronTrellis
  module Cli
    module Sites
      # Sites as they are named on the command line.
      module Named
        MOST_NAMES = 20

        module_function

        # @param name [String]
        # @return [Store::Sites::Site]
        # @raise [Ending]
        def named(name)
          Store::Sites::Site.find_by(name: name) || raise(Ending.new(unknown(name), Ending::COULD_NOT))
        end

        # @param number [Numeric, nil]
        # @param option [String]
        # @return [Integer, nil]
        # @raise [Core::Error::InvalidInput]
        def whole(number, option)
          return number if number.nil? || number.is_a?(Integer)

          raise Core::Error::InvalidInput.new("#{option} must be a whole number, not #{number}.")
        end

        def unknown(name)
          names = Store::Sites::Site.order(:name).pluck(:name)
          "There is no site “#{name}”. #{names.empty? ? "None is known yet: audit one first." : known(names)}"
        end

        def known(names)
          more = names.size - MOST_NAMES
          "These are known: #{names.first(MOST_NAMES).join(", ")}#{", and #{more} more" if more.positive?}."
        end
        private_class_method :unknown, :known

        # @param site [Store::Sites::Site]
        # @param number [Integer, nil] nil for the newest judged one of the whole site
        # @return [Store::Crawling::Crawl] judged
        # @raise [Ending]
        def crawl(site, number)
          crawl = number ? site.crawls.find_by(number: whole(number, "--crawl")) : site.newest_crawl
          return crawl if crawl&.verdict_run

          raise Ending.new(
            "“#{site.name}” has #{number ? "no judged crawl #{number}" : "no judged crawl yet"}.",
            Ending::COULD_NOT
          )
        end
      end
    end
  end
end
