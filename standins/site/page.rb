# frozen_string_literal: true

module SkerrySite
  # One address of the site: what it answers with. `parts` is the visible content as HTML, put into the frame when served.
  Page = Struct.new(:host, :path, :status, :title, :description, :lang, :parts, :robots, :canonical, :headers, :location, :alternates,
    :content_type, :body, :listed, :linked, keyword_init: true) do
    # @return [String] the whole address
    def url = "http://#{host}#{path}"
  end
end
