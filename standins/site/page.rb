# frozen_string_literal: true

module SkerrySite
  # One address of the site: what it answers with. `parts` is the visible content as HTML, put into the frame when
  # served (or stands alone, where it is bare); `head` and `tail` are markup that its keepers added; `padding` is so
  # many bytes of nothing, `delay` how many seconds it takes, `viewport` false where it isn't made for phones.
  Page =
    Struct.new(
      :host,
      :path,
      :status,
      :title,
      :description,
      :lang,
      :parts,
      :robots,
      :canonical,
      :headers,
      :location,
      :alternates,
      :content_type,
      :body,
      :listed,
      :linked,
      :heading,
      :head,
      :tail,
      :bare,
      :padding,
      :delay,
      :viewport,
      keyword_init: true
    ) do
      # @return [String] the whole address
      def url = "http://#{host}#{path}"
    end
end
