# frozen_string_literal: true

require_relative "../test_helper"
require "active_record"
require "pg"

# What went wrong is told in words.
class FailureTest < Minitest::Test
  Failure = IronTrellis::Work::Runtime::Failure

  {
    PG::DiskFull.new("ERROR:  could not extend file \"base/1\"") => /disk is full/,
    ActiveRecord::QueryCanceled.new("PG::QueryCanceled: ERROR: canceling statement") => /longer than it may/,
    PG::ConnectionBad.new("connection to server on socket failed") => /out of reach/,
    ActiveRecord::StatementInvalid.new("PG::UndefinedColumn: ERROR: column x does not exist") => /database refused/,
    Errno::ENOSPC.new("x") => /disk is full/,
    NoMethodError.new("undefined method `x' for nil:NilClass") => /Something in the program went wrong/,
    IronTrellis::Core::Error::Conflict.new("Crawl it first.") => /\ACrawl it first\.\z/
  }.each do |error, words|
    define_method("test_#{error.class}_is_told_in_words") do
      [Failure.explain(error), Failure.kept("#{error.class}: #{error.message}")].each do |told|
        assert_match words, told
        refute_match(/PG::|ActiveRecord|NoMethod|SELECT|undefined|Errno/, told)
      end
    end
  end
end
