# frozen_string_literal: true

require "open3"
require "tempfile"

# Runs bin/trellis audit as a user would and reads its files.
module AuditRun
  Result = Struct.new(:code, :out, :err, :folder, keyword_init: true) do
    # @param name [String] "urls", "links" or "faults"
    # @return [Array<Hash>]
    def rows(name) = File.readlines(File.join(folder, "#{name}.jsonl")).map { |line| JSON.parse(line) }

    def summary = JSON.parse(File.read(File.join(folder, "summary.json")))
  end

  ROOT = File.expand_path("../..", __dir__)
  # As in a terminal, which knows nothing of the bundle that the tests run in.
  ENVIRONMENT = {
    "TRELLIS_ENV" => "test", "RUBYOPT" => nil, "RUBYLIB" => nil, "BUNDLE_GEMFILE" => nil, "BUNDLE_BIN_PATH" => nil
  }.freeze

  def trellis(*arguments, environment: {})
    out, err, status =
      Open3.capture3(ENVIRONMENT.merge(environment), File.join(ROOT, "bin/trellis"), *arguments)
    Result.new(code: status.exitstatus, out: out, err: err)
  end

  def audit(url, *options, folder: Dir.mktmpdir("audit"))
    trellis("audit", url, "--out", folder, "--allow-private", "--rate", "0", *options).tap do |result|
      result.folder = folder
    end
  end

  def audit_skerry(*options)
    audit(
      "http://www.skerrylamps.example/",
      "--resolve",
      "www.skerrylamps.example:80:127.0.0.1:#{SiteServer.skerry.port}",
      *options
    )
  end
end
