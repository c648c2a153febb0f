# frozen_string_literal: true

require "pathname"
require "zeitwerk"

# The map of the application. Each layer is one folder at the root and one module here; a constant's
# name is its path (core/url/scope.rb holds IronTrellis::Core::Url::Scope). Imports go one way:
#
#   core <- fetch, ports, store <- work <- api, cli
#
# Nothing is loaded until it is named, so that small commands start without a database.
module IronTrellis
  VERSION = "0.1.0"
  ROOT = Pathname(__dir__)
  LAYERS = %w[core fetch ports store work api cli].freeze

  module Core; end # rules and readings: values in, values out

  module Fetch; end # fetching: turns answers of servers into core values

  module Ports; end # the outside: file formats, interfaces of indexes, mail

  module Store; end # PostgreSQL through Active Record

  module Work; end # use cases, and the jobs that carry them out

  module Api; end # JSON over HTTP

  module Cli; end # the command line

  # What is found by being there: each lists what another namespace holds.
  REGISTRIES = {
    "Core::Faults::Registry" => "Core::Faults::Rules",
    "Core::Ledger::Registry" => "Core::Ledger::Columns",
    "Core::Decisions::Registry" => "Core::Decisions::Kinds",
    "Core::Evidence::Registry" => "Core::Evidence::Kinds",
    "Work::Tasks::Registry" => "Work::Tasks::Kinds",
    "Ports::Indexes" => "Ports::Indexes::Interfaces",
    "Ports::Languages" => "Ports::Languages::Lines",
    "Ports::Redirects" => "Ports::Redirects::Maps",
    "Ports::Tables" => "Ports::Tables::Formats"
  }.freeze

  # The one loader of the application.
  #
  # @return [Zeitwerk::Loader]
  def self.loader
    @loader ||= Zeitwerk::Loader.new.tap do |loader|
      LAYERS.each { |layer| loader.push_dir(ROOT.join(layer), namespace: const_get(layer.capitalize)) }
      loader.ignore(ROOT.join("store/db"))
      REGISTRIES.each do |registry, held|
        loader.on_load("IronTrellis::#{registry}") { loader.eager_load_namespace(const_get(held)) }
      end
      loader.setup
    end
  end

  # Loads whole layers at once, for processes that will need them anyway and shall not lose time when they do.
  #
  # @param layers [Array<String>]
  # @return [void]
  def self.load_whole(*layers) = layers.each { |layer| loader.eager_load_dir(ROOT.join(layer).to_s) }
end

IronTrellis.loader
