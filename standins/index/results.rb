# frozen_string_literal: true

require "yaml"

module Gazetteer
  # The ten best pages for a phrase: of the hosts that the index knows, and of others that it tells of, by how much of
  # the phrase stands in title and text. Beside them what others pay for.
  class Results
    OTHERS = YAML.safe_load_file(File.expand_path("others.yml", __dir__))
    MOST = 10
    WORD = /[\p{L}\p{N}]+/
    TITLE = 3.0

    # @param urls [Hash{String => Hash}] of the index
    def initialize(urls)
      @urls = urls
    end

    # @param phrase [String]
    # @return [Hash] phrase, results and paid, each [{url, title, description}]
    def call(phrase)
      words = words(phrase)
      {"phrase" => phrase, "results" => best(words), "paid" => paid(words)}
    end

    private

    def words(text) = text.to_s.downcase.scan(WORD).map { |word| word.sub(/s\z/, "") }

    def best(words)
      shown = @urls.select { |_, one| one["standing"] == "in_index" && one["title"] }
      known = shown.map { |url, one| result(url, one) }
      (known + OTHERS["results"])
        .map { |one| [score(one, words), one] }
        .select { |score, _| score.positive? }
        .sort_by { |score, one| [-score, one["url"]] }
        .first(MOST)
        .map { |_, one| one.slice("url", "title", "description") }
    end

    def result(url, one) =
      {"url" => url, "title" => one["title"], "description" => one["text"].to_s[0, 150], "text" => one["text"].to_s}

    # A page that hasn't all words in its title or text isn't among the best.
    def score(one, words)
      title, text = words(one["title"]), words(one["text"] || one["description"])
      return 0 unless words.all? { |word| title.include?(word) || text.include?(word) }

      words.sum { |word| (title.include?(word) ? TITLE : 0) + [text.count(word), 5].min / 5.0 } + one["fame"].to_f
    end

    def paid(words) =
      OTHERS["paid"]
        .select { |one| (words(one["title"]) & words).any? }
        .map { |one| one.slice("url", "title", "description") }
  end
end
