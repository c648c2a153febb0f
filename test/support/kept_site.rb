# frozen_string_literal: true

require_relative "browser"
require_relative "keepers"
require_relative "read_site"

# A signed-in browser over a demo site of its own, whose keepers do as they are told.
module KeptSite
  include TestDatabase
  include Browser
  include SignedIn

  def setup
    super
    @keepers = Keepers.new
    @site = DemoCrawl.site(%w[www.skerrylamps.example www.skerrylamper.example], server: @keepers.server)
  end

  def open_screen(screen) = visit("/s/#{@site}/c/latest/#{screen}")
end
