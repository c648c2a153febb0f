# frozen_string_literal: true

module IronTrellis
  module Cli
    module Evidence
      # bin/trellis evidence: what indexes, search records and logs say of a site.
      class Commands < Cli::Commands
        desc "import FILE", "Bring what an index or another source says of a site's URLs"
        long_desc <<~TEXT
          Reads a CSV, TSV or XLSX file; delimiter and encoding are told by themselves. The first line names the
          columns: those of the kind, or others that --column says once and that are kept. What can't be read is told by
          its line and the rest is kept. The newest crawl is judged again.

          Kinds: #{Core::Evidence::Registry.all.map { |code, kind| "#{code} (#{kind.names.join(", ")})" }.join("; ")}.
        TEXT
        option :site, required: true, banner: "NAME"
        option :kind, required: true, enum: Core::Evidence::Registry.all.keys
        option :index, banner: "NAME", desc: "The index that says so (default: the only one)"
        option :date, banner: "YYYY-MM-DD", desc: "The day it is of; of a window its last day"
        option :column, type: :string, repeatable: true, banner: "FIELD=HEADING", desc: "Which heading a field has"
        option :value, type: :string, repeatable: true, banner: "STATE=TEXT", desc: "How the source calls a standing"
        option :sample, type: :boolean, default: false, desc: "It was cut: what it leaves out says nothing"
        option :whole, type: :boolean, default: false, desc: "It wasn't cut: what it leaves out isn't known there"
        option :json, **JSON_OPTION
        # @return [Integer] exit code
        def import(file) = Import.new(file, options).call
      end
    end
  end
end
