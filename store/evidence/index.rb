# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # A search index that a site is judged by.
      class Index < Postgres::Record
        self.table_name = "indexes"

        USUAL = "index"
        MOST_NAME = 80

        belongs_to :site, class_name: "IronTrellis::Store::Sites::Site"

        class << self
          # @param site [Sites::Site]
          # @return [ActiveRecord::Relation] the site's indexes, the first one made first
          def of(site) = where(site_id: site.id).order(:id)

          # @param now [Time]
          # @return [Array<Index>] those that are to be asked by their timetable
          def due(now) = where.not(address: nil).where.not(pull_days: nil)
            .select { |index| index.pulled_at.nil? || index.pulled_at <= now - index.pull_days * 86_400 }

          # The one by which the ledger's columns, the last rung and the rules are filled.
          #
          # @param site [Sites::Site]
          # @return [Index, nil]
          def first_of(site)
            chosen = site.evidence_settings["first_index"]
            (chosen && of(site).find_by(id: chosen)) || of(site).first
          end

          # @param site [Sites::Site]
          # @param name [String, nil] nil for the only one there is
          # @return [Index, nil] nil where there is none of that name, or none at all
          # @raise [Core::Error::InvalidInput] where no name is given and there are several
          def named(site, name)
            return of(site).find_by(name: name.strip) if name

            known = of(site).to_a
            return known.first if known.size < 2

            raise Core::Error::InvalidInput.new(
              "The site has several indexes: #{known.map(&:name).join(", ")}. Say which one is meant."
            )
          end

          # @param site [Sites::Site]
          # @param name [String, nil]
          # @param now [Time]
          # @return [Index] made where it isn't there yet
          # @raise [Core::Error::InvalidInput]
          def named_or_made(site, name, now:)
            named(site, name) || create!(site: site, name: check_name(name || USUAL), created_at: now)
          end

          # @param name [String]
          # @return [String] without the space around it
          # @raise [Core::Error::InvalidInput]
          def check_name(name)
            name = name.strip
            return name unless name.empty? || name.size > MOST_NAME

            raise Core::Error::InvalidInput.new("Give the index a name of at most #{MOST_NAME} characters.")
          end
        end
      end
    end
  end
end
