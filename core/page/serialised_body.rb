# frozen_string_literal: true

require "strscan"

module IronTrellis
  module Core
    module Page
      # Reads anchors, areas, images, forms and the visible text from the serialised inside of a body, in one pass. The
      # form of serialised HTML is known (HTML standard, "serializing HTML fragments": names in lower case, attributes
      # in double quotes, text escaped), so a scanner reads it at a third of what asking each node costs. What isn't
      # escaped there (the contents of scripts) must be gone before. It reads bytes: Ruby then need not look through
      # each piece for its characters.
      class SerialisedBody
        include SerialisedGrammar

        HREF, REL, IS_ANCHOR, IS_SPECIAL, IS_INLINE, IS_COMMENT, REST = *1..7
        SPACE = " ".ord
        FRAMES = %w[nav aside].freeze
        # A line of its own, where main text ends or begins; what of it a document brings is taken out.
        FRAME = "\x01"
        HEADING = /\Ah[1-6]\z/

        # `text` is the visible text, one block a line, white space folded; `frames` are the numbers of the lines
        # between which it isn't main text, `menus` those of lines that are nothing but links; `anchors` are
        # [AnchorLines::Anchor] of the main text.
        attr_reader :links, :images, :images_without_alt, :text, :frames, :menus, :anchors

        # @param html [String] serialised, UTF-8; it is taken over
        # @param resolver [Url::Resolver] with the document's base
        def initialize(html, resolver)
          @html = html.force_encoding(Encoding::BINARY)
          @html = @html.delete(FRAME) if @html.include?(FRAME)
          @resolver = resolver
          @links = []
          @images = @images_without_alt = 0
          @landmarks = []
          @open = []
          @starts = []
          @spans = []
          @headings = 0
          @text = String.new(capacity: html.bytesize, encoding: Encoding::BINARY)
          @broken = true
        end

        # @return [SerialisedBody] itself; `followed` of the links is left to the reader, who knows the directives
        def read
          scanner = StringScanner.new(@html)
          from = 0
          while scanner.skip_until(TAG)
            keep_text(from, scanner.pos - scanner.matched_size)
            from = scanner.pos
            act_on(scanner)
          end
          keep_text(from, @html.bytesize)
          place_anchors
          self
        end

        private

        def place_anchors
          raw = @text.b
          @text, @frames = Content::Frames.part(Content::Blocks.tidy(@text), FRAME)
          lines = AnchorLines.new(raw, @spans, mark: FRAME, lines: @text.count("\n") + (@text.empty? ? 0 : 1))
          @menus, @anchors = lines.menus, lines.anchors
        end

        # Between two blocks there is mostly a line break and nothing else.
        def keep_text(from, to)
          return if to <= from || (@broken && to == from + 1 && @html.getbyte(from) <= SPACE)

          @text << @html.byteslice(from, to - from)
          @broken = false
        end

        def break_text
          @text << Content::Blocks::BREAK unless @broken
          @broken = true
        end

        def act_on(scanner)
          if scanner[IS_ANCHOR] then begin_anchor(scanner)
          elsif (name = scanner[IS_SPECIAL]) then special(name, scanner)
          elsif !scanner[IS_INLINE] && !scanner[IS_COMMENT] then break_text
          end
        end

        def special(name, scanner)
          return end_anchor(scanner.pos - 4) if name == "/a"

          break_text
          case name
          when "img" then image(scanner[REST])
          when "input" then picture_button(scanner[REST])
          when HEADING then begin_heading
          when "source" then srcset(scanner[REST], "")
          when "area" then area(scanner[REST])
          when "form" then form(scanner[REST])
          when *Link.places then enter(name)
          else leave_element(name.delete_prefix("/"))
          end
        end

        def leave_element(name)
          return leave(name) unless HEADING.match?(name)

          @headings -= 1 if @headings.positive?
        end

        # A link around a heading belongs to what it heads, like one in it.
        def begin_heading
          @headings += 1
          @open.each { |_, span| span.heading = true if span }
        end

        def enter(name)
          @landmarks << name
          note_frame
        end

        def leave(name)
          at = @landmarks.rindex(name) or return
          @landmarks.slice!(at..)
          note_frame
        end

        # The header and the footer of an article within main are part of what the page says.
        def note_frame
          framed = @landmarks.any? { |name| FRAMES.include?(name) } || (@landmarks.any? && !@landmarks.include?("main"))
          return if framed == @framed

          @framed = framed
          @text << FRAME << Content::Blocks::BREAK
          @broken = true
        end

        # The link takes its place among the others where the anchor begins, its text is known where it ends.
        def begin_anchor(scanner)
          href = scanner[HREF]
          link = href && add("anchor", plain(href), "", scanner[REL])
          span = AnchorLines::Span.new(link.target, @text.bytesize, nil, @headings.positive?) if link && !@framed
          @open << [link, span]
          @starts << scanner.pos
        end

        def end_anchor(position)
          (link, span), from = @open.pop, @starts.pop
          link.text = anchor_text(@html.byteslice(from, position - from)) if link
          span.to = @text.bytesize if span
          @spans << span if span
        end

        def anchor_text(html)
          return Content::Folded.if_needed(plain(html)) unless html.include?("<")

          text = Content::Folded.if_needed(plain(html.gsub(ANY_TAG, "")))
          text.empty? ? Content::Folded.if_needed(plain(html[IMAGE_WITH_ALT, 1] || +"")) : text
        end

        def area(attributes)
          add(
            "anchor",
            attribute(attributes, "href"),
            Content::Folded.if_needed(attribute(attributes, "alt")),
            attribute(attributes, "rel")
          )
        end

        def image(attributes)
          alt = attribute(attributes, "alt")
          @images += 1
          @images_without_alt += 1 unless alt
          text = Content::Folded.if_needed(alt)
          link = add("image", attribute(attributes, "src"), text)
          link.px = shown_size(attributes) if link
          srcset(attributes, text.to_s)
        end

        def shown_size(attributes)
          sides = %w[width height].map { |name| attribute(attributes, name).to_s[/\A\s*(\d{1,4})(?:px)?\s*\z/, 1] }
          sides.map(&:to_i).max if sides.all?
        end

        # A button may be an image (HTML standard, input type=image).
        def picture_button(attributes)
          image(attributes) if attribute(attributes, "type").to_s.strip.casecmp?("image")
        end

        def srcset(attributes, text)
          attribute(attributes, "srcset")&.scan(SRCSET_URL) { |(reference)| add("image", reference, text) }
        end

        def form(attributes)
          add("form", attribute(attributes, "action")) unless attribute(attributes, "method")&.casecmp?("post")
        end

        def add(type, reference, text = nil, rel = nil)
          target = Link.target(reference, @resolver) or return
          Link.new(target, type, text, rel&.downcase, @landmarks.last).tap { |link| @links << link }
        end

        def attribute(attributes, name)
          value = attributes[READERS[name], 1]
          value && plain(value)
        end

        def plain(bytes) = Content::Blocks.unescape(bytes.force_encoding(Encoding::UTF_8))
      end
    end
  end
end
