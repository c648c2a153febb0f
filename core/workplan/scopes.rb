# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # How far a rule's faults reach on a host: the whole site's template (`base`), the template of a page group, or
      # single pages. Each host has to reach it by itself; hosts that share one template are told together, at the one
      # with most pages.
      class Scopes
        BASE_SHARE = 0.8
        BASE_PAGES = 10
        BASE_GROUPS = 2
        TEMPLATE_SHARE = 0.5
        TEMPLATE_PAGES = 5
        NOWHERE = "site"
        Found = Struct.new(:base, :template, :pages, keyword_init: true)

        # @param pages [Hash{Array(String, String) => Integer}] by host and group, how many HTML pages of it answer 200
        #   themselves
        # @param families [Hash{String => String}] by host, of those that share one template, the one with most pages
        def initialize(pages, families: {})
          @pages = pages
          @families = families
          @of_host = pages.group_by { |(host, _), _| host }.transform_values { |some| some.sum(&:last) }
          @groups = pages.keys.group_by(&:first).transform_values { |some| some.map(&:last).uniq.size }
        end

        # @param entries [Array<Entry>] of one kind of work
        # @return [Found] of `base` and `template` the entries by place, of `pages` by host
        def call(entries)
          found = Found.new(base: {}, template: {}, pages: {})
          entries.group_by { |entry| [entry.code, self.class.host(entry)] }.each do |(_, host), some|
            split(host, some, found)
          end
          found
        end

        # @param entries [Array<Entry>] of one rule in one group
        # @return [Boolean] whether its template is to blame on some host
        def template?(entries)
          entries.group_by { |entry| [self.class.host(entry), self.class.group(entry)] }
            .any? { |place, some| shared?(some, @pages.fetch(place, 0)) }
        end

        # @param entry [Entry]
        # @return [String] its host; of what is of a group as a whole that of nothing
        def self.host(entry) = Url::Authority.of(entry.url) || NOWHERE

        # @param entry [Entry]
        # @return [String] its group; what is of a group as a whole is about it
        def self.group(entry) = (entry.url ? entry.group : entry.about) || NOWHERE

        private

        def split(host, entries, found)
          return add(found.base, @families.fetch(host, host), entries) if base?(host, entries)

          entries.group_by { |entry| self.class.group(entry) }.each do |group, some|
            if some.first.url.nil? || shared?(some, @pages.fetch([host, group], 0))
              add(found.template, group, some)
            else
              add(found.pages, host, some)
            end
          end
        end

        def base?(host, entries)
          pages = @of_host.fetch(host, 0)
          count = urls(entries)
          count >= BASE_PAGES && count >= BASE_SHARE * pages &&
            (entries.map(&:group).uniq.size >= BASE_GROUPS || @groups.fetch(host, 0) == 1)
        end

        def shared?(entries, pages) = pages >= TEMPLATE_PAGES && urls(entries) > TEMPLATE_SHARE * pages

        def urls(entries) = entries.map(&:url).uniq.size

        def add(places, place, entries) = (places[place] ||= []).concat(entries)
      end
    end
  end
end
