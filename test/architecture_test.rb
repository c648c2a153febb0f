# frozen_string_literal: true

require_relative "test_helper"
require "tsort"

# The folders are the architecture: imports go one way.
class ArchitectureTest < Minitest::Test
  ROOT = IronTrellis::ROOT
  ALLOWED = {
    "core" => [],
    "fetch" => %w[core],
    "ports" => %w[core],
    "store" => %w[core],
    "work" => %w[core fetch ports store],
    "api" => %w[core fetch ports store work],
    "cli" => %w[core fetch ports store work]
  }.freeze
  # What the core must not know: no database, no web, no network, no files, no clock.
  FOREIGN_TO_CORE =
    /\b(ActiveRecord|Sinatra|Net::HTTP|TCPSocket|::File\b|(?<![:\w])File\.|IO\.|Dir\.|Time\.now|
      Process\.clock_gettime|PG::)/x

  ALLOWED.each do |layer, allowed|
    define_method("test_#{layer}_names_only_layers_below_it") do
      others = ALLOWED.keys - allowed - [layer]
      offences = code_of(layer).flat_map do |file, text|
        named =
          text
            .scan(/(?<![:\w])(?:IronTrellis::)?(Core|Fetch|Ports|Store|Work|Api|Cli)::[A-Z]/)
            .flatten
            .uniq
            .map(&:downcase)
        (named & others).map { |name| "#{file} names #{name}" }
      end

      assert_empty offences
    end
  end

  def test_the_core_knows_no_database_no_web_no_network_no_files_and_no_clock
    offences = code_of("core").select { |_, text| FOREIGN_TO_CORE.match?(text) }.map(&:first)

    assert_empty offences
  end

  def test_every_constant_is_where_its_path_says
    IronTrellis.loader.eager_load

    assert_operator IronTrellis::Core::Faults::Registry.all.size, :>=, 20
  end

  def test_a_newcomer_finds_rooms_and_no_heaps_in_the_roots_of_the_layers
    heaps =
      %w[fetch store work api cli].select { |layer| Dir[ROOT.join(layer, "*")].count { |path| File.file?(path) } > 5 }

    assert_empty heaps
  end

  # Types that are imported count, too: what two modules need of each other belongs into a third.
  def test_modules_of_the_front_end_import_each_other_in_no_circle
    files = Dir[ROOT.join("web/src/**/*.{ts,tsx}")].reject { |file| file.end_with?(".d.ts") }
    imports =
      files.to_h { |file| [file, File.read(file).scan(/from "(\.[^"]+)"/).filter_map { |(to)| module_at(file, to) }] }
    circles =
      TSort.strongly_connected_components(imports.method(:each_key), ->(file, &each) { imports[file].each(&each) })

    assert_operator imports.values.sum(&:size), :>, files.size
    assert_empty circles.select { |circle| circle.size > 1 }
  end

  # Lists that stand elsewhere, too, are held to the folders.
  def test_the_contract_names_the_kinds_of_decision_that_there_are
    contract = YAML.load_file(ROOT.join("api/openapi.yaml"))

    schemas = contract.dig("components", "schemas")
    named = [schemas.dig("DecisionKind", "enum"), schemas.dig("DecisionValues", "properties").keys]
    assert_equal [IronTrellis::Core::Decisions::Registry.codes.sort] * 2, named.map(&:sort)
  end

  JSON_TYPES = {
    "text" => "string", "timestamp with time zone" => "string", "text[]" => "array", "boolean" => "boolean",
    "integer" => "integer", "bigint" => "integer", "double precision" => "number", "date" => "string"
  }.freeze

  def test_the_contract_names_the_columns_of_the_ledger_that_there_are
    told = YAML.load_file(ROOT.join("api/openapi.yaml")).dig("components", "schemas", "LedgerRow", "properties")
    declared = IronTrellis::Core::Ledger::Registry.shown

    assert_equal declared.map(&:name).sort, (told.keys - ["url_id"]).sort
    declared.each { |column| assert_equal JSON_TYPES.fetch(column.type), told.dig(column.name, "type"), column.name }
  end

  def test_the_stand_ins_share_no_code_with_the_application
    files = Dir[ROOT.join("standins/**/*.rb")]

    assert_empty files.select { |file| File.read(file).match?(/IronTrellis|iron_trellis/) }
  end

  def test_files_name_each_other_in_no_circle
    files = Dir[ROOT.join("{#{ALLOWED.keys.join(",")}}/**/*.rb")].reject { |file| file.include?("/store/db/") }
    named = NamedConstants.new(ROOT, files)

    assert_operator named.tsort_each_node.to_a.size, :>, 800
    assert_empty named.circles
  end

  def test_circles_are_found
    Dir.mktmpdir do |folder|
      texts = {"a" => "B::C.new", "b/c" => "A", "d" => "E", "e" => "Other::D"}
      files = texts.map do |name, text|
        File.join(folder, "#{name}.rb").tap { |file| FileUtils.mkdir_p(File.dirname(file)) && File.write(file, text) }
      end
      assert_equal [%w[a.rb c.rb]],
        NamedConstants.new(folder, files).circles.map { |some| some.map { |file| File.basename(file) }.sort }
    end
  end

  def test_the_store_alone_speaks_to_the_database
    speaking = /Postgres::Sql\b|\b(?:SELECT|DELETE FROM|INSERT INTO|UPDATE) |\.(?:find_by_sql|execute|exec_query)\(/
    others = Dir[ROOT.join("{core,fetch,ports,work,api,cli}/**/*.rb")]
    assert_empty others.select { |file| File.readlines(file).grep_v(/^\s*#/).join.match?(speaking) }
  end

  def test_what_answers_people_writes_through_use_cases_only
    writing = /\.(?:create|update|save|destroy|delete|touch)!|\.(?:update_all|delete_all|destroy_all|insert_all|
      update_columns?|upsert_all|toggle!)\b/x
    assert_empty Dir[ROOT.join("api/**/*.rb")].select { |file| File.read(file).match?(writing) }
  end

  # Minitest runs public methods only.
  def test_no_test_stands_below_private
    below = Dir[IronTrellis::ROOT.join("test/**/*_test.rb")].select do |file|
      File.read(file)[/^  private$.*/m].to_s.match?(/^  def test_/)
    end
    assert_empty below
  end

  # Of Standard's own rules none holds the length of lines, and its configuration can't bring one.
  def test_no_line_of_ruby_is_longer_than_120_characters_and_no_file_than_450_lines
    lines = ruby_files.to_h { |file| [file, File.readlines(file, chomp: true, encoding: "UTF-8")] }

    assert_operator lines.size, :>, 500
    assert_empty lines.select { |_, all| all.any? { |line| line.size > 120 } }.keys
    assert_empty lines.select { |file, all| file.end_with?(".rb") && all.size > 450 }.keys
  end

  # The demo's stand-ins tell long stories in one place.
  def test_no_class_is_longer_than_200_lines
    files = Dir[ROOT.join("{#{ALLOWED.keys.join(",")}}/**/*.rb")].reject { |file| file.include?("/store/db/") }
    long = files.select { |file| classes(RubyVM::AbstractSyntaxTree.parse_file(file)).any? { |lines| lines > 200 } }

    assert_empty long
  end

  private

  # @return [Array<Integer>] how many lines each class in the tree has
  def classes(node)
    return [] unless node.is_a?(RubyVM::AbstractSyntaxTree::Node)

    own = (node.type == :CLASS) ? [node.last_lineno - node.first_lineno + 1] : []
    own + node.children.flat_map { |child| classes(child) }
  end

  def ruby_files
    programs = Dir[ROOT.join("bin/*")].select { |file| File.open(file, &:readline).include?("ruby") }
    programs + Dir[ROOT.join("{#{ALLOWED.keys.join(",")},standins,test}/**/*.rb")] + [ROOT.join("iron_trellis.rb").to_s]
  end

  def module_at(file, to)
    at = File.expand_path(to, File.dirname(file))
    ["#{at}.ts", "#{at}.tsx"].find { |one| File.exist?(one) }
  end

  # Comments may name anything.
  def code_of(layer)
    Dir[ROOT.join(layer, "**/*.rb")].to_h do |file|
      [file.delete_prefix("#{ROOT}/"), File.readlines(file).grep_v(/^\s*#/).join]
    end
  end
end
