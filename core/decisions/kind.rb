# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      # What all kinds of decision have in common. A kind is one module in kinds/, found by being there: it reads what
      # was given, says what can't be used, whether pages are judged by it, and what shows on a page that it was done.
      # The subject and the value that it gives are kept.
      module Kind
        WEB = %r{\Ahttps?://[^/]}i

        # @return [String] as it is named in files, in the interface and in the database
        def code = name.split("::").last.downcase

        # @return [Boolean] whether pages are judged again when something of this kind is decided
        def judged? = false

        # @param subject [String]
        # @param value [Object]
        # @yieldparam address [String, nil] as somebody wrote it
        # @yieldreturn [String, nil] whole, where it is a path of the site's main host
        # @return [Array(String, Object)] the same with whole addresses, where it has some
        def placed(subject, value) = [subject, value]

        # @param _subject [String]
        # @param _value [Hash] as they are kept
        # @return [Array(Symbol, Object), nil] the pages that a decision is about: those :of_group (its name),
        #   :linking_to an address, :named (addresses) or :matching a pattern; nil where no page shows it
        def concerns(_subject, _value) = nil

        # @param _subject [String]
        # @param _value [Hash] as they are kept
        # @param _page [Seen::Page] one of those, as it answers now
        # @return [Array<Seen::Condition>] what is wanted of it, and what was found
        def seen(_subject, _value, _page) = []

        private

        def matching(subject) = Url::Pattern.new(subject).exact? ? [:named, [subject]] : [:matching, subject]

        # @raise [Error::InvalidInput]
        def problem(message) = raise(Error::InvalidInput.new(message))

        # What is wished of pages: {"intent", "follow"}.
        def intent_of(value)
          unless Groups::Intents::NAMES.include?(value["intent"])
            problem("“#{value["intent"]}” is no intent. Use one of #{Groups::Intents::NAMES.join(", ")}.")
          end
          value.slice("intent", "follow").compact
        end

        # A target may ask for no more parts than its pattern captures.
        def captures(pattern, target)
          highest = target.scan(/\$([1-9])/).flatten.map(&:to_i).max || 0
          return if highest <= pattern.captures_count

          problem(
            "#{target} asks for part #{highest} of the address, and #{pattern.source} captures " \
            "#{pattern.captures_count}."
          )
        end
      end
    end
  end
end
