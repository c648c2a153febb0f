# frozen_string_literal: true

require_relative "../test_helper"
require "open3"

# What bin/backup writes is put back by bin/restore, secrets and all. In databases of their own, since others fill that
# of the tests meanwhile.
class BackupTest < Minitest::Test
  KEPT = {"TRELLIS_DATABASE" => "iron_trellis_kept"}.freeze
  RESTORED = {"TRELLIS_DATABASE" => "iron_trellis_restored"}.freeze
  MAKE = <<~RUBY
    include IronTrellis
    Store::Postgres::Database.drop
    Store::Postgres::Database.prepare
    settings = Core::Settings::Crawl.new("start_urls" => ["http://a.test/"])
    site = Store::Sites::Site.register(name: "kept", settings: settings)
    Store::Settings::Secrets.keep(site.id, nil, Core::Settings::Secrets.new("password" => "wick"))
  RUBY
  READ = <<~RUBY
    include IronTrellis
    Store::Postgres::Database.prepare
    site = Store::Sites::Site.find_by(name: "kept")
    print Store::Settings::Secrets.of(site.id).password
  RUBY

  def script(name, *arguments, **environment)
    out, status =
      Open3.capture2e(environment.transform_keys(&:to_s), IronTrellis::ROOT.join("bin", name).to_s, *arguments)
    [status.exitstatus, out]
  end

  def ruby(code, environment)
    boot = IronTrellis::ROOT.join("bin/boot").to_s
    Open3.capture2(environment, RbConfig.ruby, "-r", boot, "-e", "Boot.call\n#{code}").first
  end

  def test_a_backup_is_put_back_with_its_secrets
    ruby(MAKE, KEPT)
    Dir.mktmpdir do |folder|
      file = "#{folder}/all.tar"
      assert_equal 0, script("backup", file, **KEPT).first
      assert_equal 0o600, File.stat(file).mode & 0o777
      assert_equal 0, script("restore", file, "--over", **RESTORED).first
      assert_match(/already/, script("restore", file, **RESTORED).last)
    end
    assert_equal "wick", ruby(READ, RESTORED)
    assert_match(/no file/, script("restore", "/nowhere.tar").last)
  end
end
