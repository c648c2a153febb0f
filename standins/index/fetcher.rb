# frozen_string_literal: true

require "digest"
require "net/http"
require "nokogiri"
require "timeout"
require "uri"
require_relative "robots"

module Gazetteer
  # Fetches pages of the site over HTTP and reads what an index needs of them.
  class Fetcher
    AGENT = "Mozilla/5.0 (compatible; Gazetteerbot/1.0; +http://gazetteer.example/bot)"
    SECONDS = 5
    KEPT_TEXT = 20_000
    BLOCKS = "p, div, section, h1, h2, h3, h4, li, dt, dd, td, th, figcaption, br"
    KEPT_HEADERS = %w[content-type content-language x-robots-tag link last-modified cache-control].freeze

    # @param address [String] host and port where all hosts of the site answer
    def initialize(address)
      @host, @port = address.split(":")
    end

    # @param url [String]
    # @return [Hash{String => Object}] status, headers, and of a page target, noindex, canonical, title, words,
    #   text_key, image, links, text
    def call(url)
      uri = URI(url)
      answer = get(uri)
      {"status" => answer.code.to_i, "headers" => headers(answer), "target" => target(uri, answer)}.merge(
        read(uri, answer)
      )
    rescue SystemCallError, IOError, Timeout::Error, Net::ProtocolError
      {"status" => nil}
    end

    # @param origin [String]
    # @return [Robots]
    def robots(origin)
      answer = get(URI("#{origin}/robots.txt"))
      Robots.new((answer.body if answer.code == "200"))
    rescue SystemCallError, IOError, Timeout::Error, Net::ProtocolError
      Robots.new(nil)
    end

    # @param url [String] of a sitemap file
    # @return [Array(Array<String>, Array<String>, Integer)] pages and files that it lists, and errors
    def sitemap(url)
      answer = get(URI(url))
      return [], [], 1 unless answer.code == "200"

      tree = Nokogiri.XML(answer.body) { |options| options.nonet }
      tree.remove_namespaces!
      [
        tree.xpath("//url/loc").map { |node| node.text.strip },
        tree.xpath("//sitemap/loc").map { |node| node.text.strip },
        tree.errors.size
      ]
    rescue SystemCallError, IOError, Timeout::Error, Net::ProtocolError
      [[], [], 1]
    end

    # @return [void]
    def close
      @connection&.finish
      @connection = nil
    end

    private

    def get(uri)
      request = Net::HTTP::Get.new(uri.request_uri, "Host" => uri.host, "User-Agent" => AGENT)
      connection.request(request)
    rescue EOFError, Errno::ECONNRESET, Errno::EPIPE
      close
      connection.request(request)
    end

    def connection
      @connection ||=
        Net::HTTP
          .new(@host, @port.to_i)
          .tap do |http|
            http.open_timeout = http.read_timeout = SECONDS
            http.keep_alive_timeout = SECONDS
            http.start
          end
    end

    def headers(answer) = KEPT_HEADERS.filter_map { |name| "#{name}: #{answer[name]}" if answer[name] }

    def target(uri, answer)
      location = answer["location"] or return
      uri.merge(location).to_s
    rescue URI::Error
      nil
    end

    def read(uri, answer)
      return {} unless answer.code == "200" && answer["content-type"].to_s.start_with?("text/html")

      tree = Nokogiri.HTML5(answer.body.dup.force_encoding("UTF-8").scrub, max_tree_depth: 400)
      text = visible(tree)
      directives = [
        *tree.css("meta[name]").select { |node| node["name"].casecmp?("robots") }.map { |node| node["content"] },
        answer["x-robots-tag"]
      ].join(",")
      {
        "noindex" => directives.downcase.match?(/\b(?:noindex|none)\b/),
        "canonical" => link(uri, tree.at_css("link[rel=canonical]")&.[]("href")),
        "title" => tree.at_css("title")&.text.to_s.strip,
        "words" => text.split.size,
        "text_key" => Digest::MD5.hexdigest(text),
        "text" => text[0, KEPT_TEXT],
        "image" => !tree.at_css("main img, body img").nil?,
        "links" => links(uri, tree)
      }
    end

    def visible(tree)
      main = tree.at_css("main") || tree.at_css("body")
      main.css("script, style, template, noscript").each(&:remove)
      main.css(BLOCKS).each { |block| block << " " }
      main.text.split.join(" ")
    end

    def links(uri, tree) =
      tree
        .css("a[href]")
        .reject { |node| node["rel"].to_s.include?("nofollow") }
        .filter_map { |node| link(uri, node["href"]) }
        .uniq

    # Links that begin with a slash lead to the same place from everywhere on a host.
    def link(uri, text)
      return if text.nil?
      return merged(uri, text) unless text.start_with?("/")

      (@merged ||= {}).fetch("#{uri.host} #{text}") { |key| @merged[key] = merged(uri, text) }
    end

    def merged(uri, text)
      found = uri.merge(text.strip)
      return unless found.is_a?(URI::HTTP)

      found.fragment = nil
      found.path = "/" if found.path.empty?
      found.to_s
    rescue URI::Error
      nil
    end
  end
end
