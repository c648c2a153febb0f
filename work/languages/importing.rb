# frozen_string_literal: true

module IronTrellis
  module Work
    module Languages
      # Sets of languages from a file: checked in any case, decided where that is asked.
      class Importing
        # @param site [Store::Sites::Site]
        # @param file [IO]
        # @raise [Core::Error::InvalidInput] where the file can't be read
        def initialize(site, file)
          @site = site
          @annotations, @bad = Ports::Languages::CsvSets.read(file)
          @clusters = Core::Languages::Clusters.of(@annotations)
        end

        # @param keep [Boolean]
        # @param by [String]
        # @param now [Time]
        # @param note [String, nil]
        # @return [Hash] clusters, faults, bad (line and why), ids of the decisions
        def call(keep:, by:, now:, note: nil)
          ids = keep ? Decisions::Decide.decide(@site, "languages", values, by: by, now: now, note: note) : []
          {
            clusters: @clusters.map(&:to_h),
            faults: Core::Languages::SetCheck.new(@annotations).call.map(&:to_h),
            bad: @bad.map(&:to_h),
            ids: ids
          }
        end

        private

        def values
          all =
            @clusters.map do |cluster|
              {"subject" => cluster.members.first, "value" => {"pages" => cluster.codes.transform_values(&:first)}}
            end
          all.select { |one| one["value"]["pages"].except("x-default").size > 1 }
        end
      end
    end
  end
end
