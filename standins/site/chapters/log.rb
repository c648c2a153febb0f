# frozen_string_literal: true

require "date"

module SkerrySite
  module Chapters
    # The log of the beacon: a page for each watch, archives by month that only repeat how each begins, and a paged list
    # of all.
    class Log
      YEAR = 2025
      # Nobody writes on Sundays, nor in the week when the cable is looked at.
      SILENT = ->(day) { day.sunday? || (day.month == 9 && day.day.between?(8, 13)) }
      KINDS = %w[weather work end].freeze
      # Hours at which something is put down.
      HOURS = ["18.00", "19.30", "20.40", "22.15", "23.50", "01.10", "02.35", "04.00", "05.25", "06.50"].freeze
      A_PAGE = 30
      MONTHS = %w[January February March April May June July August September October November December].freeze

      # @param catalogue [Catalogue]
      def initialize(catalogue)
        @catalogue = catalogue
        @teller = Teller.new(catalogue.telling["log"], catalogue.telling["log"]["words"])
        @days = (Date.new(YEAR, 1, 1)..Date.new(YEAR, 12, 31)).reject { |day| SILENT.call(day) }
      end

      # @return [void]
      def write
        @days.group_by(&:month).each { |month, days| archive(month, days) }
        @days.each_slice(A_PAGE).with_index(1) { |days, number| list(days, number) }
        @days.each_with_index { |day, place| watch(day, place) }
        @catalogue.add_file("/log/feed.xml", "application/rss+xml", feed)
      end

      private

      def path(day) = "/log/#{day.strftime("%Y/%m/%d")}"

      def title(day) = "The watch of #{day.day} #{MONTHS[day.month - 1]} #{day.year}"

      def sentences(day) = KINDS.each_with_index.map { |kind, place| @teller.one("#{day} #{place}", kind) }

      def watch(day, place)
        told = sentences(day)
        onward =
          [(@days[place - 1] if place.positive?), @days[place + 1]].compact.map do |one|
            @catalogue.link(path(one), title(one))
          end
        notes = HOURS.map { |hour| "<li>#{hour} #{@catalogue.escape(@teller.one("#{day} #{hour}", "note"))}</li>" }
        @catalogue.add(
          path(day),
          title(day),
          "<p>#{@catalogue.escape(told.first(2).join(" "))}</p><ul>#{notes.join("\n")}</ul>" \
          "<p>#{@catalogue.escape(told.last)}</p><p>#{onward.join(" ")}</p>",
          heading: "Watch #{place + 1}: #{day.day} #{MONTHS[day.month - 1]}",
          description: "#{day.day} #{MONTHS[day.month - 1]}: #{told.first}"
        )
      end

      def archive(month, days)
        name = "#{MONTHS[month - 1]} #{YEAR}"
        @catalogue.add(
          "/log/#{YEAR}/#{format("%02d", month)}/",
          "The log of #{name}",
          @catalogue.teasers(days.map { |day| [path(day), title(day), sentences(day).first(2).join(" ")] }),
          heading: "Log: #{name}",
          listed: false
        )
      end

      def list(days, number)
        months =
          MONTHS.each_index.map { |month| @catalogue.link("/log/#{YEAR}/#{format("%02d", month + 1)}/", MONTHS[month]) }
        pages = (1..(@days.size.fdiv(A_PAGE).ceil)).map { |page| @catalogue.link(list_path(page), page.to_s) }
        @catalogue.add(
          list_path(number),
          (number == 1) ? "The log of the beacon" : "The log of the beacon, page #{number}",
          "#{intro if number == 1}<p>#{months.join(" ")}</p>" \
            "#{@catalogue.teasers(days.map { |day| [path(day), title(day), ""] })}<p>#{pages.join(" ")}</p>",
          heading: "All watches, list #{number}",
          listed: number == 1
        )
      end

      def list_path(number) = (number == 1) ? "/log/" : "/log/?page=#{number}"

      def intro
        "<p>Whoever has the watch at the beacon on the mole writes down what the night was like, what was done and " \
        "what went by. The book lies open on the gallery, held by a stone, and is copied here on Mondays by whoever " \
        "is too wet to cast. " \
          "It has been kept since 1931; what is to be read here is the last full year. Words that can't be " \
          "deciphered are left as they are.</p>"
      end

      def feed
        items =
          @days
            .last(20)
            .reverse
            .map { |day| "<item><title>#{title(day)}</title><link>http://#{WWW}#{path(day)}</link></item>" }
        "<?xml version=\"1.0\"?><rss version=\"2.0\"><channel><title>The log of the " \
        "beacon</title><link>http://#{WWW}/log/</link>#{items.join}</channel></rss>"
      end
    end
  end
end
