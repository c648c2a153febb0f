# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Work that one person can do in one go, as it comes from faults: of a `kind`, at a `place` (a page group, a host
      # or a file), for a `cause`; whether it is done once for all in a `template`; with the entries that it clears, and
      # those that need no work of their own where it is done (`settles`), the page `groups` that it asks
      # about, and what it `gains` besides. Its key tells it again after the next judging.
      Draft =
        Struct.new(*%i[kind place cause template entries settles groups gains], keyword_init: true) do
          # @return [Array<Entry>]
          def settles = self[:settles] || []

          # Where a whole section comes back, so does each address of it.
          #
          # @return [Array<Entry>] what its benefit comes from
          def weighing
            return entries + settles.select { |one| one.code == Settling::MISSING } if cause == Settling::SECTION

            self[:gains] || entries
          end

          # @return [Array<String>]
          def groups = self[:groups] || []

          # @return [String] whose work it is (Roles)
          def role = Roles.of(kind, cause, template)

          # @return [Array(String, String, String)]
          def key = [kind, place, cause]

          # @return [Array<String>] each once, none of what is of a group as a whole
          def urls = entries.filter_map(&:url).uniq

          # @param fix [#kind, #place, #cause, #template]
          # @param entries [Array<Entry>]
          # @return [Draft] of these alone
          def self.of_fix(fix, entries) =
            new(kind: fix.kind, place: fix.place, cause: fix.cause, template: fix.template, entries: entries)

          # @param fix [#kind, #place, #cause, #template]
          # @param faults [Array<Hash{String => String, nil}>] as lists of fixes tell them
          # @return [Draft] of these alone
          def self.of_faults(fix, faults) =
            of_fix(
              fix,
              faults.map do |one|
                Entry.new(**one.slice("code", "url", "about", "key").transform_keys(&:to_sym), grade: 1.0)
              end
            )

          # @param fix [#kind, #place, #cause, #template, #urls]
          # @param faults [Array<Hash{String => String, nil}>] some of it
          # @return [Draft] of these alone, weighing what they weighed when the fix was made last
          def self.of_kept(fix, faults)
            parts = fix.urls.to_h { |one| [one["url"], one] }
            of_fix(
              fix,
              faults.map do |one|
                rule = Faults::Registry.find(one["code"])
                grade = Entry::GRADES.fetch(rule ? rule.weighs : parts.dig(one["url"], "grade") || "weakens")
                Entry.new(
                  **one.transform_keys(&:to_sym),
                  grade: rule&.note? ? 0.0 : grade,
                  importance: parts.dig(one["url"], "importance"),
                  group: fix.place
                )
              end
            )
          end

          # @return [Boolean] whether it has nothing but notes
          def idle? = weighing.none? { |entry| entry.grade.positive? }
        end
    end
  end
end
