# frozen_string_literal: true

module IronTrellis
  module Work
    # Whose site the demo is, and where it lies.
    module DemoSite
      NAME = "Skerry Lamp Works"
      PERSON = "Ines Rasten"
      HOSTS = %w[www.skerrylamps.example skerrylamps.example old.skerrylamps.example www.skerrylamper.example].freeze
    end
  end
end
