# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      class Texts
        # A host's robots.txt as it shall be, and how it differs from the one that is there.
        module Robots
          KIND = "robots"
          FILE = "robots.txt"

          module_function

          # @param subject [Subject]
          # @param texts [Texts]
          # @return [Hash{String => String}] by name
          def files(subject, texts)
            present = present(subject, texts).to_s
            wanted = blocks?(subject) ? blocked(subject, texts, present) : mended(subject, texts, present)
            {FILE => wanted, "robots.diff" => Core::Robots::RobotsRepair.difference(present, wanted)}
          end

          def blocks?(subject) = subject.faults.all? { |fault| fault["code"] == Core::Workplan::Kinds::BLOCK }

          def blocked(subject, texts, present) =
            Core::Robots::Blocking.new(present, agent(texts)).call(
              subject.urls,
              texts.written.kept_out_folders(subject.urls)
            )

          def agent(texts) = texts.run.crawl.crawl_settings.agent

          def mended(subject, texts, present)
            blocked = texts.written.blocked(origin(subject))
            mended = Core::Robots::RobotsRepair.new(present, agent(texts), blocked: blocked)
            mended.call(faults(subject), texts.written.sitemaps)
          end

          def origin(subject) = subject.place.delete_suffix("/#{FILE}")

          def present(subject, texts)
            file = Store::Robots::RobotsFiles.all(texts.run.crawl_id).find { |one| one["origin"] == origin(subject) }
            (file && file["error"].nil? && file["status"].to_i.between?(200, 299)) ? file["body"] : nil
          end

          # A resource is what is blocked, not the page that needs it.
          def faults(subject) =
            subject.faults.map do |fault|
              (fault["code"] == "blocked-resource") ? fault.merge("url" => fault["about"], "about" => nil) : fault
            end

          private_class_method :blocks?, :blocked, :agent, :mended, :origin, :present, :faults
        end
      end
    end
  end
end
