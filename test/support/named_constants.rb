# frozen_string_literal: true

require "ripper"
require "set"
require "tsort"

# Which files of ours name the constants of which others, by where Zeitwerk looks for them: a constant's name is its
# path.
class NamedConstants
  include TSort

  # @param root [Pathname]
  # @param files [Array<String>]
  def initialize(root, files)
    @root = root
    @files = files.to_h { |file| [spaces(file).join("::"), file] }
    @namespaces = @files.keys.flat_map { |name| prefixes(name.split("::")) }.to_set
  end

  # @return [Array<Array<String>>] files that name each other in a circle, by their paths
  def circles = strongly_connected_components.select { |some| some.size > 1 }

  # (see TSort)
  def tsort_each_node(&) = @files.each_value(&)

  # (see TSort)
  def tsort_each_child(file, &) = named(file).each(&)

  private

  def named(file)
    here = spaces(file)
    constants(File.read(file)).filter_map { |name| resolve(here, name) }.uniq - [file]
  end

  # In the innermost namespace that has the first part of the name.
  def resolve(here, name)
    outward = here.size.downto(1).map { |size| here.first(size) }
    base = outward.find { |some| @namespaces.include?([*some, name.first].join("::")) }
    return if base.nil?

    name.size.downto(1).filter_map { |size| @files[[*base, *name.first(size)].join("::")] }.first
  end

  # @return [Array<Array<String>>] such as ["Store", "Sites", "Site"]
  def constants(text)
    tokens = Ripper.lex(text).reject { |token| %i[on_sp on_comment on_nl on_ignored_nl].include?(token[1]) }
    heads = tokens.each_index.select { |at| tokens[at][1] == :on_const && !follows?(tokens, at) }
    heads.map { |at| whole(tokens, at) }.uniq
  end

  def follows?(tokens, at) =
    at.positive? && (%w[class module].include?(tokens[at - 1][2]) || (tokens[at - 1][2] == "::" && at > 1 &&
      tokens[at - 2][1] == :on_const))

  def whole(tokens, at)
    name = [tokens[at][2]]
    name << tokens[at + 2 * name.size][2] while tokens[at + 2 * name.size - 1]&.at(2) == "::" &&
        tokens[at + 2 * name.size]&.at(1) == :on_const
    name
  end

  def spaces(file)
    parts = file.delete_prefix("#{@root}/").delete_suffix(".rb").split("/")
    ["IronTrellis", *parts.map { |part| part.split("_").map(&:capitalize).join }]
  end

  def prefixes(parts) = parts.each_index.map { |last| parts[0..last].join("::") }
end
