# frozen_string_literal: true

module SkerrySite
  # Where the site lies.
  WWW = "www.skerrylamps.example"
end
