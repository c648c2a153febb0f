# frozen_string_literal: true

module IronTrellis
  module Core
    module Groups
      # Puts pages that are built alike into templates, by their skeletons (Page::Skeleton). What all pages have says
      # little, and what hardly any other has says no more than something rare does; so that neither a shared frame nor
      # an odd table decides. Sketches that many pages have come first, each template is then what most of its pages
      # have, and each sketch belongs to the one it is most like. Linear in pages: only different sketches are compared.
      class Skeletons
        # How alike two pages of a template are at least; of the kinds of pages of public generators it parts the most
        # (test/bench/templates_of_generators.rb).
        LEAST = 0.5
        # A token on all pages weighs so much, a rare one no more than this.
        FLOOR = 0.3
        CEILING = 2.0
        # What most of a template's pages have is its core.
        CORE = 0.5
        MOST_TEMPLATES = 200
        # So many other sketches are remembered.
        REMEMBERED = 20_000
        Template = Struct.new(:id, :core, :pages, keyword_init: true)

        # @return [Array<Template>] by pages; `core` is a sketch
        attr_reader :templates

        # @param counts [Hash{String => Integer}] how many pages have each sketch; those on most pages will do
        def initialize(counts)
          @counts = counts.sort_by { |sketch, pages| [-pages, sketch] }.to_h
          @sets = @counts.keys.to_h { |sketch| [sketch, Page::Skeleton.hashes(sketch)] }
          weigh
          @cores = cores(leaders)
          @of = @counts.keys.to_h { |sketch| [sketch, nearest(@sets[sketch], @cores)] }
          name
        end

        # @param sketch [String, nil]
        # @return [String, nil] the id of the template of pages with that sketch
        def of(sketch)
          return if sketch.nil?

          @of = @of.slice(*@counts.keys) if @of.size > @counts.size + REMEMBERED
          @of[sketch] = nearest(Page::Skeleton.hashes(sketch), @cores) unless @of.key?(sketch)
          @ids[@of[sketch]]
        end

        # @return [Array<Hash{String => Object}>] id, core and pages of each template, as runs of verdicts keep them
        def as_json(*) = @templates.map { |one| one.to_h.transform_keys(&:to_s) }

        # @param core [String] of a template of another crawl
        # @return [String, nil] the id of the template here that is most like it
        def like(core)
          wanted = Page::Skeleton.hashes(core)
          best = @templates.max_by { |one| [likeness(wanted, Page::Skeleton.hashes(one.core)), one.pages] } or return
          best.id if likeness(wanted, Page::Skeleton.hashes(best.core)) >= LEAST
        end

        private

        def weigh
          pages = @counts.values.sum.to_f
          found = Hash.new(0)
          @counts.each { |sketch, count| @sets[sketch].each { |token| found[token] += count } }
          @weights = found.transform_values { |count| [FLOOR + Math.log(pages / count), CEILING].min }
          @weights.default = CEILING
        end

        def likeness(one, other)
          both = one & other
          shared = weight(both)
          all = weight(one) + weight(other) - shared
          all.zero? ? 1.0 : shared / all
        end

        def weight(tokens) = tokens.sum(0.0) { |token| @weights[token] }

        def leaders
          @counts.keys.each_with_object([]) do |sketch, found|
            next if found.size >= MOST_TEMPLATES || nearest(@sets[sketch], found.map(&:first))

            found << [@sets[sketch]]
          end
        end

        # What most pages have of those that are nearest to each of them.
        def cores(leaders)
          sets = leaders.map(&:first)
          members = Hash.new { |all, at| all[at] = Hash.new(0) }
          pages = Hash.new(0)
          @counts.each do |sketch, count|
            at = nearest(@sets[sketch], sets) or next
            pages[at] += count
            @sets[sketch].each { |token| members[at][token] += count }
          end
          sets.each_index.map { |at| members[at].select { |_, count| count > CORE * pages[at] }.keys.sort }
        end

        def nearest(set, others)
          best, found = LEAST, nil
          others.each_with_index do |other, at|
            like = likeness(set, other)
            best, found = like, at if like > best || found.nil? && like >= best
          end
          found
        end

        def name
          pages = Hash.new(0)
          @counts.each { |sketch, count| pages[@of[sketch]] += count if @of[sketch] }
          order = pages.sort_by { |at, count| [-count, at] }.map(&:first)
          @ids = order.each_with_index.to_h { |at, place| [at, "t#{place + 1}"] }
          @templates = order.map { |at| Template.new(id: @ids[at], core: sketch(@cores[at]), pages: pages[at]) }
        end

        def sketch(tokens) = [tokens.pack(Page::Skeleton::HEX)].pack(Page::Skeleton::PACKED)
      end
    end
  end
end
