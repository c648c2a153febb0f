# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Follows an answer to where it leads, by redirects and refreshes of 0 s, hop by hop.
      class RedirectFollower
        MOST_HOPS = 10
        # Where it ended: the `hops` after the address itself, how many of them were `asked`, the last `answer`, `how`
        # it ended before its end (:loop, :too_long, :off_site; else nil), and whether the first hop was a `refresh`.
        End = Struct.new(:hops, :asked, :answer, :how, :refresh, keyword_init: true)

        # @param read [#call] gives what was read in the answer of an address (Core::Page::Facts, nil)
        # @param scope [Core::Url::Scope, nil] hosts beyond which nothing is asked; nil where all may be
        # @param ask [#call] gives the answer of an address
        def initialize(read:, scope: nil, &ask)
          @read, @scope, @ask = read, scope, ask
        end

        # @param parts [Core::Url::Parts]
        # @param answer [Core::Crawling::Answer] of it
        # @param facts [Core::Page::Facts, nil] what was read in it
        # @return [End]
        def call(parts, answer, facts)
          met = [parts.to_s]
          refresh = !answer.redirect?
          while (target = target_of(parts, answer, facts))
            how = stopped(met, target)
            return ended(met, answer, how, refresh, target) if how

            met << target.to_s
            parts, answer = target, @ask.call(target)
            facts = @read.call(target, answer)
          end
          ended(met, answer, nil, refresh && met.size > 1)
        end

        private

        def stopped(met, target)
          return :off_site unless @scope.nil? || @scope.host?(target.to_s)
          return :loop if met.include?(target.to_s)

          :too_long if met.size > MOST_HOPS
        end

        def ended(met, answer, how, refresh, target = nil)
          hops = met.drop(1)
          hops += [target.to_s] if target && how != :too_long
          End.new(hops: hops, asked: met.size - 1, answer: answer, how: how, refresh: refresh)
        end

        def target_of(parts, answer, facts)
          return answer.leads_to(parts) if answer.redirect?

          refresh = facts&.refresh
          Core::Url::NormalForm.parse?(refresh.target) if refresh&.instant? && (200..299).cover?(answer.status)
        end
      end
    end
  end
end
