# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # In which lines of a page's text its anchors stand, and which lines are nothing but links.
      class AnchorLines
        # An anchor while the text is gathered: what it leads to, from which byte to which it stands, and whether a
        # heading holds it or is held by it.
        Span = Struct.new(:target, :from, :to, :heading)
        # The same by lines (numbers, the last one included); `sole` is whether the line holds nothing else, and leads
        # nowhere else.
        Anchor = Struct.new(:target, :from, :to, :sole, :heading)

        BREAK = Content::Blocks::BREAK.b
        VISIBLE = /[!-~]/n
        LONGER = /[\x80-\xFF]/n
        ENTITY = /&[a-z]+;/n
        LETTER = /[A-Za-z0-9\x80-\xFF]/n
        # One that is no part of an entity, as a line of text has it near its beginning.
        PLAIN_LETTER = /(?:\A|[^&A-Za-z0-9])[A-Za-z0-9]/n
        # More of them make a menu of any page.
        MOST = 300

        # @param raw [String] bytes of the text as it was gathered: blocks parted by BREAK, escaped as serialised HTML
        #   is
        # @param spans [Array<Span>]
        # @param mark [String] a block that is none (SerialisedBody::FRAME)
        # @param lines [Integer] how many lines the text came to
        def initialize(raw, spans, mark:, lines:)
          @raw = raw
          @spans = spans.first(MOST).sort_by.with_index { |span, number| [span.from, number] }
          @blocks = blocks(mark)
          # What is blank in a way that isn't known here would move all lines behind it.
          @spans = [] unless @blocks.size == lines
        end

        # @return [Array<Anchor>]
        def anchors
          @spans.zip(places).filter_map do |span, (from, to)|
            Anchor.new(span.target, from, to, sole?(from, to), span.heading) if from
          end
        end

        # @return [Array<Integer>] numbers of the lines that are nothing but links, each of which begins and ends there
        def menus = by_line.keys.select { |line| covered?(line) }

        private

        # @return [Array<Array(Integer, Integer)>] where each line begins and ends
        def blocks(mark)
          found = []
          from = 0
          @raw.each_line(BREAK) do |block|
            to = from + block.bytesize
            text = block.delete_suffix(BREAK)
            found << [from, to] unless text == mark || blank?(text)
            from = to
          end
          found
        end

        def blank?(text)
          text = text.gsub("&nbsp;", "") if text.include?("&nbsp;")
          return false if VISIBLE.match?(text)

          !LONGER.match?(text) || !text.dup.force_encoding(Encoding::UTF_8).match?(/[^[:space:]]/)
        end

        # Where each span begins and ends, as lines: those that hold its bytes, or the next ones after them; nil behind
        # the last.
        def places
          @places ||= begin
            line = 0
            @spans.map do |span|
              line = line_at(span.from, line)
              last = line_at([span.to - 1, span.from].max, line)
              [line, (last < @blocks.size) ? last : line] if line < @blocks.size
            end
          end
        end

        def line_at(byte, line)
          line += 1 while line < @blocks.size && @blocks[line].last <= byte
          line
        end

        def by_line
          @by_line ||= @spans.each_index.with_object({}) { |number, found|
            from, = places[number]
            (found[from] ||= []) << @spans[number] if from
          }.select { |line, spans| spans.all? { |span| span.to <= @blocks[line].last } }
        end

        def sole?(from, to) =
          from == to && by_line.key?(from) && covered?(from) && by_line[from].map(&:target).uniq.one?

        def covered?(line)
          (@covered ||= {})[line] ||= begin
            from, to = @blocks[line]
            left = "".b
            by_line[line].each do |span|
              left << @raw.byteslice(from, span.from - from) if span.from > from
              from = span.to
            end
            left << @raw.byteslice(from, to - from) if to > from
            letters?(left) ? :no : :yes
          end
          @covered[line] == :yes
        end

        def letters?(bytes) =
          PLAIN_LETTER.match?(bytes) || LETTER.match?(bytes.gsub(ENTITY, " ").gsub(Content::Words::NO_LETTER, " "))
      end
    end
  end
end
