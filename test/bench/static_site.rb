# frozen_string_literal: true

require "fileutils"

module Bench
  # A static site on disk and an nginx of its own that serves it on loopback.
  class StaticSite
    WORDS = %w[
      lamp
      harbour
      brass
      copper
      light
      sea
      keeper
      wick
      glass
      lens
      signal
      tide
      mast
      anchor
      beacon
      storm
      oil
      flame
      reef
      chart
      pilot
      quay
      rope
      sail
      wind
      salt
      granite
      mole
      skerry
      bronze
      gimbal
      burner
      ferry
      channel
    ].freeze
    LINKS = 62
    BYTES = 18_000

    attr_reader :port

    # @param folder [String] an empty one
    # @param pages [Integer]
    def initialize(folder, pages:)
      @folder = folder
      @pages = pages
      @random = Random.new(7410)
      @port = Bench.free_port
    end

    # @return [String]
    def url = "http://127.0.0.1:#{@port}/"

    # Writes the pages and starts nginx.
    #
    # @return [StaticSite]
    def start
      FileUtils.mkdir_p(File.join(@folder, "www"))
      @pages.times { |number| File.write(File.join(@folder, "www", "p#{number}.html"), page(number)) }
      File.write(File.join(@folder, "www", "index.html"), page(0))
      File.write(File.join(@folder, "nginx.conf"), configuration)
      @pid = spawn("nginx", "-c", File.join(@folder, "nginx.conf"), "-p", @folder, err: File::NULL)
      sleep 0.05 until Bench.answers?(port)
      self
    end

    # @return [void]
    def stop
      Process.kill("TERM", @pid)
      Process.wait(@pid)
    end

    private

    # A page of about 18 KB with 62 links that reach all others.
    def page(number)
      targets = Array.new(LINKS) { |link| (number * 7 + link * 13 + link * link + 1) % @pages }
      targets[0] = (number + 1) % @pages
      paragraphs =
        targets.map { |target| "<p>#{text(30)} <a href=\"/p#{target}.html\">#{text(2)} #{target}</a> #{text(4)}.</p>" }
      body =
        "<nav>#{paragraphs.first(6).join}</nav><main><h1>Page #{number}</h1>#{paragraphs.drop(6).join("\n")}</main>"
      padding = [BYTES - body.bytesize - 300, 0].max
      "<!doctype html><html lang=\"en\"><head><title>Page #{number} of the static site</title><meta " \
        "name=\"description\" content=\"About page #{number}\">" \
        "<link rel=\"canonical\" href=\"/p#{number}.html\"></head><body>#{body}<!-- #{text(padding / 6)} --></body>" \
        "</html>\n"
    end

    def text(count) = Array.new(count) { WORDS[@random.rand(WORDS.size)] }.join(" ")

    def configuration
      <<~CONF
        daemon off;
        worker_processes 1;
        pid #{@folder}/nginx.pid;
        error_log #{@folder}/error.log;
        #{"user root;" if Process.uid.zero?}
        events { worker_connections 512; }
        http {
          access_log off;
          types { text/html html; }
          keepalive_requests 1000000;
          client_body_temp_path #{@folder}/t1; proxy_temp_path #{@folder}/t2; fastcgi_temp_path #{@folder}/t3;
          uwsgi_temp_path #{@folder}/t4; scgi_temp_path #{@folder}/t5;
          server { listen 127.0.0.1:#{@port}; root #{@folder}/www; }
        }
      CONF
    end
  end
end
