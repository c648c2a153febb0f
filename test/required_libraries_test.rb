# frozen_string_literal: true

require_relative "test_helper"
require "open3"
require "ripper"

# A command loads what it needs and no more: what a file uses of Ruby's own libraries it requires itself, since nobody
# knows what else was loaded before it.
class RequiredLibrariesTest < Minitest::Test
  ROOT = IronTrellis::ROOT
  FOLDERS = "{core,fetch,ports,store,work,api,cli,standins}"
  # By constant, the library that brings it (Ruby 3.1's own documentation).
  LIBRARIES = {
    "date" => %w[Date DateTime], "json" => %w[JSON], "csv" => %w[CSV], "uri" => %w[URI], "zlib" => %w[Zlib],
    "socket" => %w[Socket TCPSocket TCPServer UDPSocket UNIXSocket Addrinfo SocketError BasicSocket],
    "timeout" => %w[Timeout], "set" => %w[Set], "digest" => %w[Digest], "securerandom" => %w[SecureRandom],
    "bigdecimal" => %w[BigDecimal], "stringio" => %w[StringIO], "tempfile" => %w[Tempfile], "pathname" => %w[Pathname],
    "ipaddr" => %w[IPAddr], "open3" => %w[Open3], "openssl" => %w[OpenSSL], "logger" => %w[Logger], "erb" => %w[ERB],
    "yaml" => %w[YAML Psych], "fileutils" => %w[FileUtils], "forwardable" => %w[Forwardable], "etc" => %w[Etc],
    "resolv" => %w[Resolv], "strscan" => %w[StringScanner], "monitor" => %w[Monitor MonitorMixin],
    "tsort" => %w[TSort], "delegate" => %w[SimpleDelegator DelegateClass], "net/http" => %w[Net], "open-uri" => [],
    "shellwords" => %w[Shellwords], "ostruct" => %w[OpenStruct], "cgi" => %w[CGI], "base64" => %w[Base64]
  }.flat_map { |library, names| names.map { |name| [name, library] } }.to_h.freeze
  # By library, the methods that it adds to classes that are there without it.
  ADDED = {
    "time" =>
      /(?<![\w:])(?:::)?Time\.(?:parse|iso8601|httpdate|xmlschema|strptime|rfc2822)\b|
        \.(?:iso8601|httpdate|xmlschema)\b/x,
    "json" => /\.to_json\b/,
    "tmpdir" => /\bDir\.(?:mktmpdir|tmpdir)\b/,
    "io/wait" => /\.wait_(?:readable|writable)\b/,
    "io/console" => /\.(?:winsize|noecho)\b/
  }.freeze
  # Loads the constant of each file that it reads the name of, in a process of its own that has loaded nothing but the
  # loader, and the library that it was told.
  LOADING = <<~'RUBY'
    require File.expand_path("bin/boot")
    Boot.call
    ARGV.each { |library| require library }
    $stdin.each_line(chomp: true) do |file|
      reader, writer = IO.pipe
      child = fork do
        reader.close
        Object.const_get(IronTrellis.loader.cpath_expected_at(file))
        exit!(0)
      rescue Exception => error
        writer.write("#{file}: #{error.class}: #{error.message.lines.first}")
        writer.close
        exit!(1)
      end
      writer.close
      puts reader.read
      Process.wait(child)
    end
  RUBY

  def test_each_file_requires_what_it_uses_of_rubys_own_libraries
    missing = files.flat_map do |file|
      text = File.read(file)
      required = text.scan(/^\s*require "([^"]+)"/).flatten
      used(file, text).reject { |library| required.any? { |one| one == library || one.start_with?("#{library}/") } }
        .map { |library| "#{file.delete_prefix("#{ROOT}/")} uses #{library}" }
    end

    assert_operator files.size, :>, 800
    assert_empty missing
  end

  def test_what_is_used_is_found
    assert_equal %w[date json set time],
      used("core/x.rb", "Date.today\nJSON.parse(x.to_json)\nSet.new\nx.iso8601\nFoo::Zlib.x\n").sort
  end

  # What stores is never without Active Record, which takes half a second.
  STORING = %w[store work api].freeze

  def test_each_file_loads_alone_in_a_process_of_its_own
    ours = files.reject { |file| file.include?("/standins/") || file.include?("/store/db/") }
    storing, bare = ours.partition { |file| STORING.any? { |layer| file.start_with?("#{ROOT}/#{layer}/") } }
    loaded = [[bare, []], [storing, ["active_record"]]].map { |some, given| Thread.new { load_alone(some, given) } }

    assert_equal [["", true]] * 2, loaded.map(&:value)
  end

  private

  def load_alone(files, given)
    said, status =
      Open3.capture2e(
        AuditRun::ENVIRONMENT,
        RbConfig.ruby,
        "-e",
        LOADING,
        *given,
        chdir: ROOT.to_s,
        stdin_data: files.join("\n")
      )
    [said.strip, status.success?]
  end

  def files = @files ||= Dir[ROOT.join(FOLDERS, "**/*.rb")]

  # Constants stand for a library unless a namespace that the file is in has its own of that name.
  def used(file, text)
    tokens = Ripper.lex(text).reject { |token| %i[on_sp on_comment].include?(token[1]) }
    names = tokens.each_index.select { |at| tokens[at][1] == :on_const && standalone?(tokens, at) }
    names = names.map { |at| [tokens[at][2], tokens[at - 1][2] == "::"] }.uniq
    found = names.filter_map { |name, top| LIBRARIES[name] if top || !own?(file, name) }
    code = text.lines.grep_v(/^\s*#/).join
    (found + ADDED.filter_map { |library, sign| library if sign.match?(code) }).uniq
  end

  def standalone?(tokens, at)
    return false if at.positive? && %w[class module].include?(tokens[at - 1][2])

    at.zero? || tokens[at - 1][2] != "::" || !%i[on_const on_ident on_rparen].include?(tokens[at - 2][1])
  end

  def own?(file, name)
    folders = File.dirname(file.delete_prefix("#{ROOT}/")).split("/")
    spaces = (0...folders.size).map { |last| folders[0..last].join("/") } << file.delete_suffix(".rb")
    spaces.any? { |space| (@own ||= own_names)["#{space.delete_prefix("#{ROOT}/")}/#{name}"] }
  end

  def own_names
    files.to_h do |one|
      path = one.delete_prefix("#{ROOT}/").delete_suffix(".rb")
      [File.join(File.dirname(path), File.basename(path).split("_").map(&:capitalize).join), true]
    end
  end
end
