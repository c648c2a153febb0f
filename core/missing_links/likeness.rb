# frozen_string_literal: true

module IronTrellis
  module Core
    module MissingLinks
      # How alike texts are by what they speak of: the cosine of their terms, each counted as often as it stands there,
      # and the more the fewer texts have it (tf-idf: idf = ln((1 + n) / (1 + df)) + 1, vectors of length 1).
      class Likeness
        # @param texts [Hash{Object => Array<String>}] by id the stems of a text, in order
        def initialize(texts)
          @size = texts.size
          counts = texts.transform_values(&:tally)
          df = Hash.new(0)
          counts.each_value { |terms| terms.each_key { |term| df[term] += 1 } }
          @idf = df.transform_values { |times| Math.log((1.0 + @size) / (1 + times)) + 1 }
          @vectors = counts.transform_values { |terms| unit(terms) }
        end

        # @param id [Object]
        # @param other [Object]
        # @return [Float] 0 to 1
        def of(id, other)
          one, two = [@vectors.fetch(id), @vectors.fetch(other)].sort_by(&:size)
          one.sum { |term, weight| weight * two.fetch(term, 0.0) }
        end

        # @param id [Object]
        # @return [Hash{Object => Float}] likeness of all others that share a term with it
        def of_all(id)
          found = Hash.new(0.0)
          @vectors.fetch(id).each do |term, weight|
            holders[term].each { |other, theirs| found[other] += weight * theirs }
          end
          found.tap { |one| one.delete(id) }
        end

        # @param ids [Array<Object>]
        # @param most [Integer]
        # @return [Array<String>] the terms that tell most of them together
        def telling(ids, most)
          sums = Hash.new(0.0)
          ids.each { |id| @vectors.fetch(id).each { |term, weight| sums[term] += weight } }
          sums.max_by(most) { |term, weight| [weight, term] }.map(&:first)
        end

        private

        def unit(terms)
          weights = terms.to_h { |term, times| [term, times * @idf.fetch(term)] }
          length = Math.sqrt(weights.each_value.sum { |weight| weight * weight })
          length.zero? ? weights : weights.transform_values { |weight| weight / length }
        end

        # By term who has it.
        def holders
          @holders ||=
            @vectors.each_with_object(Hash.new { |all, term| all[term] = [] }) do |(id, terms), found|
              terms.each { |term, weight| found[term] << [id, weight] }
            end
        end
      end
    end
  end
end
