# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # Whether the file name of an image tells what it shows.
      module FileName
        # What cameras, phones and programs call their files, with a number (common practice).
        BY_DEVICE =
          /\A(?:img|dsc|dscn|dscf|dcim|pict?|image|photo|bild|scan|screenshot|untitled|file|download|
            whatsapp[-_\ ]image)[-_\ ]*(?:\d[-_\d]*)?\z/ix
        NUMBER = /\A[\d_-]+\z/
        # Digits and letters a to f, of both, as hashes and UUIDs are.
        HASH = /\A(?=.*\d)(?=.*[a-f])[0-9a-f]{8}[0-9a-f-]*\z/i

        # Folders of what adorns a page rather than shows something (common practice).
        ICONS = %r{/(?:icons?|callouts?|bullets?|emojis?|smil(?:eys?|ies)|sprites?|buttons?|flags?)/}i
        SMALL_PX = 64
        # What a mark in a text says of itself: a number or a letter, alone or in brackets.
        MARK = /\A[\W_]*[[:alnum:]]{1,2}[\W_]*\z/

        module_function

        # @param url [String]
        # @param shown [Array<Hash>] the places where it is embedded: {text:} (its alt, nil where there is none), and
        #   px: where it says how large it is shown
        # @return [Boolean] whether it is an icon or a mark in a text, whose name nobody looks for
        #   FileName.icon?("http://a.test/img/3.png", [{text: "(3)"}]) # => true
        def icon?(url, shown) =
          ICONS.match?(url) || shown.all? { |one| (one[:px] && one[:px] < SMALL_PX) || MARK.match?(one[:text].to_s) }

        # @param url [String]
        # @return [Boolean]
        #   FileName.says_nothing?("http://a.test/img/IMG_1234.jpg") # => true
        def says_nothing?(url)
          name =
            url.sub(%r{\Ahttps?://[^/]*}, "").partition("?").first.split("/").last.to_s.sub(/\.[a-z0-9]{2,5}\z/i, "")
          name = name.sub(/[-_@](?:\d+x\d*|\dx|scaled|large|small|thumb)\z/i, "")
          [BY_DEVICE, NUMBER, HASH].any? { |form| form.match?(name) }
        end
      end
    end
  end
end
