# frozen_string_literal: true

source "https://rubygems.org"

# The heart and what reads the web.
gem "zeitwerk", "~> 2.6.18"
gem "bootsnap", "~> 1.26", require: false
gem "nokolexbor", "~> 0.6.4"
gem "nokogiri", "~> 1.18.10"
gem "uri-idna", "~> 0.3.1"
gem "re2", "~> 2.19"
gem "brotli", "~> 0.9"
# Its maintained fork wants Ruby 3.2.
gem "numo-narray", "0.9.2.1"
# Newer than Ruby's own: they read an answer without copying the rest of it for each line.
gem "net-http", "~> 0.9"
gem "net-protocol", "~> 0.2"
gem "strscan", "~> 3.1"

# Storage and background work. Que reads job arguments with json 2's API; json 3 breaks it.
gem "activerecord", "~> 7.2.0"
gem "pg", "~> 1.6.0"
gem "que", "2.4.1"
gem "json", "~> 2.10"
gem "fugit", "~> 1.14"

# Words of a language in their stems, and those that say nothing by themselves.
gem "ruby-stemmer", "~> 3.0"
gem "stopwords-filter", "~> 0.7"

# Telephone numbers as people write them, and sizes of pictures.
gem "phonelib", "~> 0.10"
gem "fastimage", "~> 2.4"

# Lines of one text against another.
gem "diff-lcs", "~> 1.6"

# The API.
gem "sinatra", "~> 4.2"
gem "puma", "~> 6.6"
gem "rack-session", "~> 2.1"
gem "rack-protection", "~> 4.2"
gem "rack-attack", "~> 6.8"
gem "committee", "~> 5.6"
gem "alba", "~> 3.0"
gem "bcrypt", "~> 3.1"

# The command line and the demo.
gem "thor", "~> 1.3"
gem "csv", "~> 3.3"
gem "caxlsx", "~> 4.1"
gem "rubyzip", "~> 2.4"
gem "roo", "~> 2.10"
gem "icalendar", "~> 2.10"

# Sends alerts.
gem "mail", "~> 2.8"

# Prints reports by Debian's Chromium.
gem "ferrum", "~> 0.17"
gem "tty-progressbar", "~> 0.18"
gem "foreman", "~> 0.90"

group :development, :test do
  gem "minitest", "~> 5.25"
  gem "rack-test", "~> 2.2"
  gem "capybara", "~> 3.40"
  gem "selenium-webdriver", "~> 4.30"
  gem "simplecov", "~> 0.22"
  gem "standard", "~> 1.50"
end
