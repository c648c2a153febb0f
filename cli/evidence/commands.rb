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

        desc "logs FILE...", "Bring what crawlers fetched, from access logs"
        long_desc <<~TEXT
          Reads access logs in the Common or Combined Log Format, gzipped or not. Crawlers are told by what they call
          themselves; one of which --verified gives address ranges counts as verified where it comes from one of them.
        TEXT
        option :site, required: true, banner: "NAME"
        option :verified, type: :string, repeatable: true, banner: "AGENT=CIDR", desc: "Addresses of a crawler"
        option :json, **JSON_OPTION
        # @return [Integer] exit code
        def logs(*files) = Logs.new(files, options).call
      end
    end
  end
end
