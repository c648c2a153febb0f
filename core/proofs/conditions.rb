# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      # The conditions of a fix, one for each of its faults: what the fix was for, URL by URL.
      class Conditions
        CANONICAL = /\Acanonical-|\A(?:decided-canonical|copy-exact)\z/
        LISTED = /\Asitemap-lists-/
        DIRECTED = "decided-intent"
        DRAFTED = Workplan::Kinds::DRAFTED

        # @param remedies [Workplan::Remedies]
        def initialize(remedies)
          @remedies = remedies
        end

        # @param kind [String] of the fix
        # @param faults [Array<Hash{String => String, nil}>] code, url and about
        # @return [Array<Condition>] in their order
        def call(kind, faults)
          by_url = faults.group_by { |fault| fault["url"] }
          faults.map { |fault| condition(kind, fault, by_url) }
        end

        private

        def condition(kind, fault, by_url)
          code, url, about = fault.values_at("code", "url", "about")
          wanted = wanted(kind, fault, by_url)
          Condition.new(
            url: url,
            code: code,
            about: about,
            key: fault["key"],
            wanted: wanted.is_a?(Workplan::Remedies::Target) ? wanted.to : wanted,
            text: text(kind, fault, wanted)
          )
        end

        def wanted(kind, fault, by_url)
          case kind
          when "canonicals" then @remedies.canonical(fault["url"], by_url[fault["url"]])
          when "redirects" then @remedies.rule(fault)
          when "links" then @remedies.link(fault)
          end
        end

        def text(kind, fault, wanted)
          code, url, about = fault.values_at("code", "url", "about")
          return canonical(url, wanted) if kind == "canonicals" && CANONICAL.match?(code)
          return Wordings::SENT_TO_GONE if code == "accepted-route" && wanted&.to.nil?
          return directed(url) if code == DIRECTED
          return drafted(code, about) if code.start_with?(DRAFTED)

          format(sentence(code), about: about, wanted: wanted_words(code, wanted), title: title(code))
        end

        def canonical(url, wanted) =
          (wanted == url) ? Wordings::OWN_CANONICAL : format(Wordings::CANONICAL, wanted: wanted)

        # What was decided says itself which of the two.
        def directed(url) =
          Faults::Registry.fetch((@remedies.row(url)&.intent == "keep_out") ? "stray" : "noindex-wanted").mended

        def drafted(code, about)
          return Wordings::DRAFTED_DATA if code == "drafted-data"
          if code == "drafted-fact"
            return format(Wordings::DRAFTED_FACT, **%i[before after].zip(Checks::Drafted.texts(about)).to_h)
          end

          format(Wordings::DRAFTED, element: code.delete_prefix(DRAFTED), after: Checks::Drafted.texts(about).last)
        end

        def sentence(code)
          return Wordings::LISTS if LISTED.match?(code)

          Wordings::ALL.fetch(code) { (Faults::Registry.find(code) || Faults::Rule).mended }
        end

        def wanted_words(code, wanted)
          to = wanted.is_a?(Workplan::Remedies::Target) ? wanted.to : wanted
          return to unless code == "not-found"
          return Wordings::UNDECIDED if wanted.nil?

          to ? " (#{"proposed: " if wanted.proposed}#{to})" : ""
        end

        def title(code) = Faults::Registry.find(code)&.title || code
      end
    end
  end
end
