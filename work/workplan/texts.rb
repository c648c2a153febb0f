# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # The exact texts by which fixes are carried out, as files: one unit for each kind of fix, in the folder texts/,
      # with the KIND and .files. They are written when they are read.
      class Texts
        # What one fix has to be written from: its `kind`, `place`, whether it is a `template`, and its `faults`.
        Subject =
          Struct.new(:kind, :place, :template, :faults, keyword_init: true) do
            # @return [Array<String>] each once, in order
            def urls = faults.filter_map { |fault| fault["url"] }.uniq

            # @return [Hash{String => Array<Hash>}] faults by URL
            def by_url = faults.select { |fault| fault["url"] }.group_by { |fault| fault["url"] }
          end

        attr_reader :run, :remedies

        # @param run [Store::Judging::VerdictRun]
        # @param remedies [Core::Workplan::Remedies]
        def initialize(run, remedies)
          @run = run
          @remedies = remedies
        end

        # @param fix [Store::Workplan::Fix]
        # @return [Array<Hash{String => String}>] name and content of each file
        def of(fix)
          kind = self.class.kinds[fix.kind] or return []
          subject =
            Subject.new(kind: fix.kind, place: fix.place, template: fix.template, faults: fix.faults)
          kind.files(subject, self).map { |name, content| {"name" => name, "content" => content} }
        end

        def self.kinds =
          @kinds ||= constants.map { |name| const_get(name) }.select { |one| one.const_defined?(:KIND) }
            .to_h { |one| [one::KIND, one] }

        # @return [Array<Core::Directives::DirectiveList::Item>] what was decided and has to be written
        def directives = @directives ||= Store::Intents::DirectiveList.new(@run).items

        # @return [Store::Languages::LanguageSets]
        def sets = @sets ||= Store::Languages::LanguageSets.new(@run, site)

        # @return [Store::Workplan::Written] what pages say now
        def written = @written ||= Store::Workplan::Written.new(@run)

        # @param name [Symbol] of what several fixes are written from
        # @return [Object] what the block gives, the first time
        def memo(name)
          @memo ||= {}
          @memo[name] ||= yield
        end

        # @return [Store::Sites::Site]
        def site = @run.crawl.site

        # @param columns [Array<String>]
        # @param rows [Array<Array>]
        # @return [String] as CSV
        def self.csv(columns, rows) = [columns, *rows].map { |row| Ports::Tables::Formats::Csv.line(row) }.join
      end
    end
  end
end
