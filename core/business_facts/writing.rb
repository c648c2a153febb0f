# frozen_string_literal: true

require "phonelib"

module IronTrellis
  module Core
    module BusinessFacts
      # One fact of a business as somebody writes it, and whether two writings are of the same: telephone numbers by
      # their international form (ITU-T E.164), the rest by letters and digits alone.
      module Writing
        FACTS = %w[name address telephone web].freeze
        SCHEME = %r{\Ahttps?://(?:www\.)?}i

        module_function

        # @param fact [String] of FACTS
        # @param text [String]
        # @param country [String, nil] two letters, of numbers without a country's prefix
        # @return [String] by which writings of the same are one; empty where it can't be read
        #   Writing.key("telephone", "01632 960031", "GB") # => "+441632960031"
        #   Writing.key("address", "The Net Loft,  Inner Quay", nil) # => "the net loft inner quay"
        def key(fact, text, country = nil)
          case fact
          when "telephone" then telephone(text, country)
          when "web" then text.strip.downcase.sub(SCHEME, "").chomp("/")
          else folded(text)
          end
        end

        # @param fact [String]
        # @param text [String, nil]
        # @param chosen [String, nil] the form that was chosen
        # @param country [String, nil]
        # @return [String] right, written otherwise, wrong or missing
        def state(fact, text, chosen, country = nil)
          return "missing" if text.to_s.strip.empty?
          return "right" if chosen.nil? || text.strip == chosen.strip

          (key(fact, text, country) == key(fact, chosen, country)) ? "otherwise" : "wrong"
        end

        def telephone(text, country)
          number = Phonelib.parse(text, country)
          number.possible? ? number.e164 : text.gsub(/\D/, "")
        end

        def folded(text) = text.unicode_normalize(:nfkc).downcase(:fold).gsub(/[^[:alnum:]]+/, " ").strip
        private_class_method :telephone, :folded
      end
    end
  end
end
