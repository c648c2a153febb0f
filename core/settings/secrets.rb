# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # What a crawl is told that nobody else should read: sign-in for staging, cookies, further headers, a proxy. Kept
      # encrypted, apart from the other settings, and shown redacted.
      class Secrets
        NAMES = %w[user password cookies headers proxy].freeze
        HIDDEN = "••••••"
        HEADER = /\A([A-Za-z0-9!#$%&'*+.^_`|~-]+):\s*([\x20-\x7E]*)\z/
        # They belong to the exchange itself, or have a setting of their own.
        NOT_OURS = %w[
          host
          connection
          content-length
          transfer-encoding
          accept-encoding
          user-agent
          cookie
          authorization
        ].freeze
        PLAIN = /\A[\x20-\x7E]*\z/

        NAMES.each { |name| define_method(name) { @values[name] } }

        # @param values [Hash{String => Object}] user, password, cookies ("a=1; b=2"), headers (["Name: value"]), proxy
        #   (URL)
        # @raise [Problems]
        def initialize(values)
          @values = {"user" => "", "password" => "", "cookies" => "", "headers" => [], "proxy" => ""}.merge(
            values.slice(*NAMES).compact
          )
          problems = checks.compact
          raise Problems.new(problems) if problems.any?
        end

        # @return [Hash{String => Object}] for keeping, encrypted
        def to_h = @values

        def none? = @values.values.all?(&:empty?)

        # @return [Hash{String => Object}] what may be shown: names of headers and the proxy's host, nothing secret
        def redacted
          {
            "user" => user,
            "password" => hidden(password),
            "cookies" => hidden(cookies),
            "headers" => headers.map { |line| "#{line[HEADER, 1]}: #{HIDDEN}" },
            "proxy" => proxy.sub(%r{//[^/@]*@}, "//#{HIDDEN}@")
          }
        end

        # A form that was shown redacted comes back redacted where nobody typed anything new.
        #
        # @param values [Hash{String => Object}] as the form sends them
        # @return [Secrets] with what was left hidden taken from here
        # @raise [Problems]
        def with(values)
          lines = (values["headers"] || headers).map { |line| line.end_with?(HIDDEN) ? before(line) : line }
          kept = values.reject { |_, value| value.is_a?(String) && value.include?(HIDDEN) }
          self.class.new(@values.merge(kept).merge("headers" => lines))
        end

        # @return [Array<Array(String, String)>] names and values of the further request headers
        def header_pairs
          pairs = headers.map { |line| HEADER.match(line).captures }
          pairs << ["Cookie", cookies] unless cookies.empty?
          pairs << ["Authorization", "Basic #{["#{user}:#{password}"].pack("m0")}"] unless user.empty?
          pairs
        end

        private

        def hidden(text) = text.empty? ? "" : HIDDEN

        def before(line) = headers.find { |one| name_of(one) == name_of(line) } || line

        def name_of(line) = line.partition(":").first

        def checks
          [
            *headers.map { |line| header_problem(line) },
            proxy_problem,
            plain("cookies", cookies, "Cookies"),
            plain("user", user, "The user"),
            ({field: "user", message: "A user's name can't hold a colon."} if user.include?(":"))
          ]
        end

        def header_problem(line)
          name = line[HEADER, 1]
          return {field: "headers", message: "“#{line}” is no header. Write Name: value."} unless name

          {field: "headers", message: "The header #{name} can't be set here."} if NOT_OURS.include?(name.downcase)
        end

        def proxy_problem
          return if proxy.empty? || (Url::NormalForm.parse?(proxy) && proxy.match?(%r{\Ahttp://}i))

          {
            field: "proxy",
            message: "“#{proxy.sub(%r{//[^/@]*@}, "//")}” is no proxy. Give it like http://proxy.example.test:3128."
          }
        end

        def plain(field, text, words) =
          PLAIN.match?(text) ? nil : {field: field, message: "#{words} may hold plain characters only."}
      end
    end
  end
end
