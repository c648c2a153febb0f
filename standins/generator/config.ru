# frozen_string_literal: true

# A site of PAGES pages (10,000 unless said otherwise): PAGES=100000 bundle exec puma standins/generator/config.ru
require_relative "application"

run PlainSite::Application.new(pages: Integer(ENV.fetch("PAGES", 10_000)))
