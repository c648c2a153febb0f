# frozen_string_literal: true

module IronTrellis
  module Cli
    # Sites as they are named on the command line.
    module Sites
      module_function

      # @param name [String]
      # @return [Store::Site]
      # @raise [Root::Stop]
      def named(name)
        Store::Site.find_by(name: name) || raise(Root::Stop.new("There is no site “#{name}”. These are known: #{Store::Site.order(:name).pluck(:name).join(", ")}.", Root::COULD_NOT))
      end
    end
  end
end
