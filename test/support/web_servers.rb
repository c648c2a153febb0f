# frozen_string_literal: true

require "net/http"
require "tmpdir"

# Real web servers of Debian's packages on loopback, each started with rules of ours and ended by its id.
class WebServer
  APACHE_MODULES = %w[mpm_event authz_core alias rewrite dir log_config].freeze

  attr_reader :port

  # @param rules [String] for the virtual host
  # @yieldparam server [WebServer]
  def self.apache(rules, &block) = new { |server| server.run_apache(rules, &block) }

  # Asks an Apache for what isn't there and gives the lines of its log, in the Combined and the Common format.
  #
  # @param asked [Hash{String => String}] User-Agents by target
  # @return [Array<String>]
  def self.logged(asked)
    new do |server|
      server.run_apache("") do
        asked.each { |target, agent| server.ask("localhost", target, agent: agent) }
      end
      return server.log
    end
  end

  # @param text [String] as Ports::Redirects::Maps::Nginx writes it
  def self.nginx(text, &block) = new { |server| server.run_nginx(text, &block) }

  def initialize
    Dir.mktmpdir do |folder|
      # They may give up being root.
      File.chmod(0o755, folder)
      @folder = folder
      @port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }
      Dir.mkdir("#{folder}/files", 0o755)
      yield self
    end
  end

  def run_apache(rules, &block)
    modules = APACHE_MODULES.select { |name| File.exist?("/usr/lib/apache2/modules/mod_#{name}.so") }
    configuration = <<~CONF
      ServerRoot "#{@folder}"
      PidFile "#{@folder}/pid"
      Listen 127.0.0.1:#{@port}
      ServerName localhost
      ErrorLog "#{@folder}/errors"
      #{modules.map { |name| "LoadModule #{name}_module /usr/lib/apache2/modules/mod_#{name}.so" }.join("\n")}
      #{"User www-data\nGroup www-data" if Process.uid.zero?}
      LogFormat "%h %l %u %t \\"%r\\" %>s %b \\"%{Referer}i\\" \\"%{User-Agent}i\\"" combined
      LogFormat "%h %l %u %t \\"%r\\" %>s %b" common
      CustomLog "#{@folder}/access" combined
      CustomLog "#{@folder}/access" common
      DocumentRoot "#{@folder}/files"
      <Directory "#{@folder}/files">
        Require all granted
      </Directory>
      <VirtualHost *:#{@port}>
      #{rules}
      </VirtualHost>
    CONF
    File.write("#{@folder}/conf", configuration)
    run(["apache2", "-f", "#{@folder}/conf", "-DFOREGROUND"], &block)
  end

  def run_nginx(text, &block)
    http, server = text.split("# In the server block:")
    File.write("#{@folder}/conf", <<~CONF)
      #{"user www-data;" if Process.uid.zero?}
      pid #{@folder}/pid;
      error_log #{@folder}/errors;
      events {}
      http {
        access_log off;
        client_body_temp_path #{@folder}/body; proxy_temp_path #{@folder}/proxy; fastcgi_temp_path #{@folder}/fastcgi;
        uwsgi_temp_path #{@folder}/uwsgi; scgi_temp_path #{@folder}/scgi;
        #{http}
        server {
          listen 127.0.0.1:#{@port};
          root #{@folder}/files;
          #{server}
        }
      }
    CONF
    run(["nginx", "-p", @folder, "-c", "#{@folder}/conf", "-g", "daemon off;"], &block)
  end

  # @param host [String]
  # @param target [String] path and query as they are to be sent
  # @param agent [String] who asks
  # @return [Array(Integer, String)] status and Location
  def ask(host, target, agent: "a test")
    request = Net::HTTP::Get.new(target, "Host" => host, "User-Agent" => agent)
    answer = Net::HTTP.start("127.0.0.1", @port) { |http| http.request(request) }
    [answer.code.to_i, answer["location"]]
  end

  # @return [Array<String>] lines of the access log
  def log = File.readlines("#{@folder}/access", encoding: "UTF-8")

  private

  def run(command)
    process = Process.spawn(*command, out: "#{@folder}/out", err: "#{@folder}/out")
    wait(process)
    yield self
  ensure
    if process
      Process.kill("TERM", process)
      Process.wait(process)
    end
  end

  def wait(process)
    200.times do
      return TCPSocket.open("127.0.0.1", @port).close
    rescue SystemCallError
      raise "The server ended: #{File.read("#{@folder}/out")}" if Process.wait(process, Process::WNOHANG)

      sleep 0.05
    end
    raise "The server doesn't answer: #{File.read("#{@folder}/out")}"
  end
end
