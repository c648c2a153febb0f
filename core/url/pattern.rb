# frozen_string_literal: true

require "re2"

module IronTrellis
  module Core
    module Url
      # A pattern on whole URLs, as auditors write them: a plain glob ("*/tags/*", where * stands for anything and # for
      # a run of digits), a path ("/tags/*", matched on every host; "/tags/" is the folder with all in it), a host
      # ("shop.test/tags/*"), a part of an address ("?sort="), or a regular expression between slashes ("/\/p\d+$/").
      # Regular expressions run on RE2, whose time is linear in the URL: no pattern can hang a crawl.
      class Pattern
        # The pattern can't be read.
        class Malformed < Error::InvalidInput; end

        EXPRESSION = %r{\A/(.+)/\z}m
        EXPRESSION_SIGNS = /[\\\[\](){}+^$|]|\.\*/
        HOST = %r{\A(?:www\.|(?=[^/]+/))(?:[a-z0-9-]+\.)+[a-z0-9-]+(?::\d+)?(?=/|\z)}i
        # A folder, and all in it; but not the home page.
        # PostgreSQL tries patterns, too, and takes long for those that come to many steps (counts within counts).
        MOST_STEPS = 5_000
        FOLDER = %r{\A/[^*]+/\z}
        NUMBER = "[0-9]+"

        attr_reader :source

        # @param source [String]
        # @raise [Malformed]
        def initialize(source)
          @source = source.to_s.strip
          raise Malformed.new("An empty pattern matches nothing. Write one like */tags/*.") if @source.empty?

          @expression = RE2::Regexp.new(translated, log_errors: false)
          unless @expression.ok?
            raise Malformed.new("The pattern #{@source} can't be read: #{@expression.error}.", pattern: @source)
          end
          return if @expression.program_size <= MOST_STEPS

          raise Malformed.new(
            "The pattern #{@source[0, 80]} is too large to be tried on every address: ask for fewer repetitions.",
            pattern: @source[0, 200]
          )
        end

        # @param url [String] in normal form
        # @return [Boolean]
        def match?(url) = @expression.match?(url)

        # @param url [String] in normal form
        # @return [Array<String>, nil] what each * stands for, or each group of an expression; nil where it doesn't
        #   match
        def captures(url)
          found = capturing.match(url) or return
          (1...found.size).map { |place| found[place].to_s }
        end

        # @param target [String] in which $1 to $9 stand for what is captured
        # @param url [String] in normal form
        # @return [String, nil] the target for this URL; nil where it doesn't match
        def fill(target, url)
          captured = captures(url) or return
          target.gsub(/\$([1-9])/) { captured[$1.to_i - 1].to_s }
        end

        # @return [Integer] how many parts of a URL it captures
        def captures_count = capturing.number_of_capturing_groups

        # @return [String] the regular expression with a group for each *
        def translated_with_groups = expression? ? translated : translated.gsub(".*", "(.*)")

        # @return [String] the regular expression that it stands for
        def translated = @translated ||= translate

        # @return [String] the pattern as it is read, with what was left out written
        #   Pattern.new("/tags/").meaning # => "/tags/*"
        def meaning = @meaning ||= expression? ? @source : meant(@source.gsub("/.*", "/*"))

        # @return [Boolean] whether it names one URL only
        def exact? = !expression? && !@source.include?("*") && @source.match?(%r{\Ahttps?://})

        private

        def capturing = @capturing ||= RE2::Regexp.new(translated_with_groups, log_errors: false)

        # "/lamps/" is a path and "/lamps\/\d+/" an expression: only the latter has signs of one inside.
        def expression? = @source.match?(EXPRESSION) && @source[EXPRESSION, 1].match?(EXPRESSION_SIGNS)

        def translate
          return @source[EXPRESSION, 1] if expression?

          glob = pieces(meaning, "*") { |part| pieces(part, "#") { |text| escaped(text) }.join(NUMBER) }.join(".*")
          return "^https?://[^/]+#{glob}$" if meaning.start_with?("/")

          HOST.match?(meaning) ? "^https?://#{glob}$" : "^#{glob}$"
        end

        def pieces(text, sign, &block) = text.split(sign, -1).map(&block)

        def escaped(text) = RE2::Regexp.escape(text).force_encoding(Encoding::UTF_8)

        def meant(glob)
          return "#{glob}*" if FOLDER.match?(glob)
          return glob if glob.start_with?("/", "*") || glob.match?(%r{\Ahttps?://}i)
          return glob.include?("*") ? glob : "#{glob.delete_suffix("/")}/*" if HOST.match?(glob)

          "*#{glob}*".squeeze("*")
        end
      end
    end
  end
end
