# frozen_string_literal: true

require_relative "chapters/teller"
Dir[File.join(__dir__, "chapters/*.rb")].sort.each { |file| require file }

module SkerrySite
  # What makes the site as large as such a site is: pages that come by the dozen. Each chapter gives pages of one kind.
  module Chapters
    ALL = [Log, Parts, Letters, Pictures, Lists, Towns].freeze

    # @param catalogue [Catalogue] to which they are added
    # @return [void]
    def self.write(catalogue) = ALL.each { |chapter| chapter.new(catalogue).write }
  end
end
