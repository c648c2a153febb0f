# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      # One column of the ledger, declared once. `type` is that of the database; `kind` says how it can be asked about
      # (:text, :number, :set, :flag, :list or :date; nil where it is only shown with its URL); `source` is where its
      # value comes from: :facts as they were stored, the :subject that rules look at, :judged what was worked out of
      # both (by its `value`, called with the judged URL), :evidence what indexes and others say, :copies and :faults
      # what is known when all pages are. `indexed` ones are kept in order, however large the ledger is; a `counted`
      # list is sorted by how many it holds. People see its `label` as the heading, `help` beside it where that is
      # short, `subject` in sentences ("words below 200"), `choices` (value => its name), and the value as :url, :bytes,
      # :share, :moment, :tenths, :hundredths or :size of a list where `shown_as` says so.
      Column =
        Struct.new(
          :name,
          :type,
          :kind,
          :source,
          :value,
          :indexed,
          :counted,
          :label,
          :subject,
          :help,
          :choices,
          :shown_as,
          keyword_init: true
        ) do
          # @return [Boolean] whether its value is known when the URL itself was judged
          def staged? = %i[facts subject judged evidence].include?(source)

          # @return [Boolean] whether people and programs may ask for it
          def shown? = !kind.nil?

          # @return [String] the label as it stands within a sentence; what begins with capitals keeps them
          def subject = self[:subject] || label.sub(/\A\p{Lu}(?!\p{Lu}|\d)/, &:downcase)

          # @return [Boolean] whether it holds what isn't a whole number
          def fraction? = type == "double precision"
        end
    end
  end
end
