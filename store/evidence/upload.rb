# frozen_string_literal: true

require "tempfile"

module IronTrellis
  module Store
    module Evidence
      # A file that somebody brought, in pieces, until it was read.
      class Upload < Postgres::Record
        self.table_name = "uploads"

        PIECE = 1_000_000
        KEPT_SECONDS = 86_400
        PUT = "INSERT INTO upload_pieces (upload_id, place, bytes) VALUES ($1, $2, $3)"

        # @param site [Sites::Site]
        # @param name [String]
        # @param io [IO]
        # @param now [Time]
        # @return [Upload]
        def self.keep(site, name, io, now:)
          where(made_at: ...(now - KEPT_SECONDS)).delete_all
          transaction do
            upload = create!(site_id: site.id, name: name, made_at: now)
            place = -1
            while (bytes = io.read(PIECE))
              Postgres::Sql.run(PUT, [upload.id, place += 1, {value: bytes, format: 1}])
            end
            upload
          end
        end

        # @yieldparam path [String] of the file, as long as the block runs
        # @return [Object] what the block gives
        def with_file
          Tempfile.create("upload", binmode: true) do |file|
            pieces { |bytes| file.write(bytes) }
            file.flush
            yield file.path
          end
        end

        private

        def pieces
          place = -1
          while (bytes = piece(place += 1)) do yield bytes end
        end

        def piece(place)
          Postgres::Sql
            .rows("SELECT bytes FROM upload_pieces WHERE upload_id = $1 AND place = $2", [id, place])
            .first&.fetch("bytes")
        end
      end
    end
  end
end
