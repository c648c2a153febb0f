# frozen_string_literal: true

module IronTrellis
  module Store
    module Ledger
      # The columns of the ledger as people and programs name them, with the kind of value each holds.
      module Fields
        KINDS = {
          "url" => :text,
          "kind" => :set,
          "status" => :number,
          "error" => :set,
          "content_type" => :text,
          "bytes" => :number,
          "first_byte_ms" => :number,
          "response_ms" => :number,
          "depth" => :number,
          "found_by" => :list,
          "robots_allowed" => :flag,
          "robots_line" => :number,
          "redirect_to" => :text,
          "redirect_chain" => :list,
          "final_url" => :text,
          "final_status" => :number,
          "noindex" => :flag,
          "nofollow" => :flag,
          "canonical" => :text,
          "canonical_source" => :set,
          "canonical_state" => :set,
          "lang" => :text,
          "title" => :text,
          "title_chars" => :number,
          "description" => :text,
          "description_chars" => :number,
          "h1" => :list,
          "h1_count" => :number,
          "words" => :number,
          "links_in" => :number,
          "links_out_internal" => :number,
          "links_out_external" => :number,
          "images" => :number,
          "images_without_alt" => :number,
          "image_bytes" => :number,
          "scripts" => :number,
          "script_bytes" => :number,
          "styles" => :number,
          "style_bytes" => :number,
          "page_bytes" => :number,
          "in_sitemaps" => :list,
          "group" => :set,
          "intent" => :set,
          "intent_of" => :set,
          "follow" => :flag,
          "chosen_canonical" => :text,
          "fulfilled" => :set,
          "wanted" => :flag,
          "importance" => :number,
          "authority" => :number,
          "indexable" => :flag,
          "soft_missing" => :flag,
          "unfetched" => :set,
          "fetched_at" => :date,
          "stop" => :set,
          "stop_reason" => :text,
          "copy_of" => :text,
          "likeness" => :number,
          "copies" => :number,
          "own_share" => :number,
          "faults" => :list,
          "fault_count" => :number
        }.freeze
        # Kept in order, so that any page of a ledger sorted by them is found at once.
        INDEXED = %w[
          url
          importance
          status
          depth
          words
          authority
          title_chars
          links_in
          first_byte_ms
          response_ms
          bytes
          own_share
          fault_count
        ].freeze
        # Lists that are sorted by how many they hold; others are sorted by what they hold.
        COUNTED = %w[in_sitemaps faults redirect_chain].freeze

        # Rows of pages and documents of the site, without what they embed and what they link to elsewhere.
        DOCUMENTS = "(kind IS NULL OR kind NOT IN ('#{Core::Page::Kind::NO_DOCUMENTS.join("', '")}'))"
        # What isn't a whole number.
        FRACTIONS = %w[importance authority own_share likeness].freeze

        module_function

        # @param name [String]
        # @return [String] an SQL expression
        def sql(name) = %("#{name}")

        # @return [nil] no column is found by another one
        def exactly(_name, _value) = nil

        # @param name [String]
        # @return [Symbol] :text, :number, :set, :flag, :list or :date
        # @raise [Core::Error::InvalidInput]
        def kind(name)
          KINDS.fetch(name) do
            raise Core::Error::InvalidInput.new("The ledger has no column “#{name}”.", field: name, known: KINDS.keys)
          end
        end
      end
    end
  end
end
