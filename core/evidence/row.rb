# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      # Reads one row of a file as evidence of a kind.
      class Row
        # Why a row isn't kept, in words.
        class Wrong < Error::InvalidInput
        end

        # What was read: `values` by field, the `url` that it is about in normal form and how it was `spelled`.
        Read = Struct.new(:url, :spelled, :values, keyword_init: true)

        # Of addresses that were read already so many are remembered.
        REMEMBERED = 50_000
        MOST_TEXT = 2_000
        # So an address looks that is in normal form already, as most are.
        PLAIN = %r{\Ahttps?://[a-z0-9][a-z0-9.-]*(?::(?!80/|443/)\d+)?/(?:[A-Za-z0-9_~-][A-Za-z0-9._~-]*/?)*\z}

        # @param kind [Kind]
        # @param places [Hash{String => Integer}] of fields
        # @param others [Hash{String => Integer}] of further columns
        # @param words [Hash{String => String}] states by the source's own words, in lower case
        # @param order [String] of dates: see Cells
        def initialize(kind, places, others: {}, words: {}, order: Cells::ORDERS.first)
          @kind = kind
          @fields =
            kind
              .fields
              .select { |field| places.key?(field.name) }
              .map { |field| [field.name, field.kind, places.fetch(field.name), field.needed?] }
          @others = kind.keeps_more ? others : {}
          @words = words
          @order = order
          @urls = {}
        end

        # @param cells [Array<String, nil>]
        # @return [Read]
        # @raise [Wrong]
        def read(cells)
          values = {}
          @fields.each { |name, kind, place, needed| values[name] = value(name, kind, cells[place], needed) }
          values["more"] = more(cells) if @others.any?
          Read.new(url: values[@kind.about], spelled: cells[@fields.assoc(@kind.about)[2]].strip, values: values)
        rescue Cells::Unreadable => error
          raise Wrong.new(error.message)
        end

        private

        def value(name, kind, cell, needed)
          text = cell.to_s.strip
          if text.empty?
            raise Wrong.new("“#{name}” is empty") if needed

            return nil
          end

          case kind
          when :url, :address
            url(name, text)
          when :state
            Standing.read(text, @words) || raise(Wrong.new("“#{text[0, 80]}” is no standing"))
          when :count
            Cells.count(text)
          when :position
            Cells.position(text)
          when :date
            Cells.date(text, order: @order)
          else
            text[0, MOST_TEXT]
          end
        end

        def url(name, text)
          return text if PLAIN.match?(text)

          @urls.clear if @urls.size > REMEMBERED
          @urls.fetch(text) { @urls[text] = Url::NormalForm.parse?(text)&.to_s } ||
            raise(Wrong.new("“#{name}” is no web address: “#{text[0, 80]}”"))
        end

        def more(cells) =
          @others.transform_values { |place| cells[place].to_s.strip[0, MOST_TEXT] }.reject { |_, text| text.empty? }
      end
    end
  end
end
