# frozen_string_literal: true

require_relative "test_helper"

# What docstrings of the core show as examples ("expression # => value") is so. An example that goes on in "…" is held
# to what stands before it.
class DocExamplesTest < Minitest::Test
  # The value may stand on the next line.
  EXAMPLE = /\A\s*#\s{3,}(?<code>\S.*?)\s+# =>(?: (?<value>.+))?\z/

  Dir[IronTrellis::ROOT.join("core/**/*.rb")].sort.each do |file|
    lines = File.readlines(file, chomp: true)
    lines.each_with_index do |line, place|
      example = EXAMPLE.match(line) or next
      value = example[:value] || lines[place + 1].sub(/\A\s*#\s*/, "")

      define_method("test_#{file.delete_prefix("#{IronTrellis::ROOT}/")}_line_#{place + 1}") do
        told = within(file, example[:code])
        next assert(within(file, value) == told, "#{told.inspect} is told as #{value}") unless value.include?("…")

        assert_equal value.split("…").first, told.inspect[0, value.index("…")]
      end
    end
  end

  # As if it stood in the file: the names of its modules need not be written out.
  def within(file, code)
    spaces =
      File
        .dirname(file)
        .delete_prefix("#{IronTrellis::ROOT}/")
        .split("/")
        .map { |part| part.split("_").map(&:capitalize).join }
    whole = ["IronTrellis", *spaces].map { |name| "module #{name}\n" }.join + code + "\nend" * (spaces.size + 1)
    eval(whole, TOPLEVEL_BINDING.dup, file) # rubocop:disable Security/Eval
  end
end
