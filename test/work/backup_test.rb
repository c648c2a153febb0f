# frozen_string_literal: true

require_relative "../test_helper"
require "open3"

# What bin/backup writes is put back by bin/restore, secrets and all.
class BackupTest < Minitest::Test
  include TestDatabase

  Store = IronTrellis::Store
  COPY = "iron_trellis_restored"

  def script(name, *arguments, **environment)
    out, status = Open3.capture2e(environment.transform_keys(&:to_s), IronTrellis::ROOT.join("bin", name).to_s, *arguments)
    [status.exitstatus, out]
  end

  def test_a_backup_is_put_back_with_its_secrets
    settings = IronTrellis::Core::Settings::Crawl.new("start_urls" => ["http://a.test/"])
    site = Store::Sites::Site.register(name: "kept #{SecureRandom.hex(6)}", settings: settings)
    Store::Settings::Secrets.keep(site.id, nil, IronTrellis::Core::Settings::Secrets.new("password" => "wick"))
    Dir.mktmpdir do |folder|
      assert_equal 0, script("backup", "#{folder}/all.tar", TRELLIS_DATABASE: Store::Postgres::Database.name).first
      assert_equal 0o600, File.stat("#{folder}/all.tar").mode & 0o777
      assert_equal 0, script("restore", "#{folder}/all.tar", "--over", TRELLIS_DATABASE: COPY).first
      assert_match(/already/, script("restore", "#{folder}/all.tar", TRELLIS_DATABASE: COPY).last)
      assert_equal "wick", read_back(site.id)
    end
    assert_match(/no file/, script("restore", "/nowhere.tar").last)
  end

  # In a process of its own, whose database is the copy.
  def read_back(site_id)
    code = "IronTrellis::Store::Postgres::Database.prepare; print IronTrellis::Store::Settings::Secrets.of(#{site_id}).password"
    out, = Open3.capture2({"TRELLIS_DATABASE" => COPY}, RbConfig.ruby, "-r", IronTrellis::ROOT.join("bin/boot").to_s, "-e", "Boot.call; #{code}")
    out
  end
end
