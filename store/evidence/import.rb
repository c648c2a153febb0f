# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Evidence
      # One bringing of evidence, from a file or from an index's interface, which can be taken back as a whole.
      class Import < Postgres::Record
        self.table_name = "evidence_imports"

        belongs_to :site, class_name: "IronTrellis::Store::Sites::Site"
        belongs_to :index, class_name: "IronTrellis::Store::Evidence::Index", optional: true

        # @param site [Sites::Site]
        # @return [ActiveRecord::Relation] the newest first
        def self.of(site) = where(site_id: site.id).order(id: :desc)

        # Takes it back: what it brought is gone, and what it replaced is in force again.
        #
        # @param by [String]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::Conflict] where that was done already
        def undo(by:, now:)
          transaction do
            lock!
            raise Core::Error::Conflict.new("This import was taken back already.") if undone_at

            restore
            Days.forget_empty(self)
            update!(undone_by: by, undone_at: now)
          end
        end

        # @return [Hash] for JSON
        def view
          {
            id: id,
            kind: kind,
            index: index&.name,
            name: name,
            date: date&.iso8601,
            whole: whole,
            made_by: made_by,
            made_at: made_at.iso8601,
            undone_by: undone_by,
            undone_at: undone_at&.iso8601,
            **result.except("wrong").transform_keys(&:to_sym)
          }
        end

        private

        # What stood before a row is superseded by what superseded that row, if anything did.
        def restore
          table = Tables.fetch(kind)
          same = table.key.map { |column| "o.#{column} = mine.#{column}" }.join(" AND ")
          Postgres::Sql.run(
            "CREATE TEMPORARY TABLE taken_back ON COMMIT DROP AS SELECT * FROM #{table.name} WHERE import_id = $1",
            [id]
          )
          Postgres::Sql.run("DELETE FROM #{table.name} WHERE import_id = $1", [id])
          Postgres::Sql.run(
            "UPDATE #{table.name} o SET superseded_by = mine.superseded_by FROM taken_back mine WHERE " \
            "o.superseded_by = $1 AND o.site_id = mine.site_id AND #{same}",
            [id]
          )
        end
      end
    end
  end
end
