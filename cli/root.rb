# frozen_string_literal: true

module IronTrellis
  module Cli
    # bin/trellis: what the application does on screen, for terminals and pipelines.
    class Root < Workplan::Commands
      extend Running

      desc "audit START_URL...", "Crawl a site and write what stops its pages"
      long_desc <<~TEXT
        Crawls from the start URLs, judges every URL found, and writes urls.jsonl, links.jsonl, faults.jsonl
        and summary.json into DIR.

        Exit codes: 0 done; 1 done, and --fail-on found such faults; 2 wrong usage; 3 could not do it.
      TEXT
      option :out, required: true, banner: "DIR", desc: "Where the four files go"
      option :site, banner: "NAME", desc: "The site's name (default: the first start host)"
      option :resolve, **RESOLVE
      option :host, type: :string, repeatable: true, banner: "HOST", desc: "Another host in scope"
      option :limit, type: :numeric, desc: "Most URLs to fetch"
      option :max_depth, type: :numeric, desc: "Most clicks from a start URL"
      option :rate, type: :numeric, desc: "Requests a second per host; 0 is no limit"
      option :concurrency, type: :numeric, desc: "Requests at once per host"
      option :workers, type: :numeric, default: 1, desc: "Worker processes"
      option :exclude, type: :string, repeatable: true, banner: "PATTERN", desc: "Leave out URLs that match"
      option :include, type: :string, repeatable: true, banner: "PATTERN", desc: "Only URLs that match"
      option :agent, banner: "TOKEN", desc: "The product token that robots.txt and robots directives are read for"
      option :ignore_robots, **IGNORE_ROBOTS
      option :render, type: :boolean, default: false, desc: "Read pages as their scripts leave them"
      option :key_page, type: :string, repeatable: true, banner: "URL", desc: "A page that matters most"
      option :intent, type: :string, repeatable: true, banner: "PATTERN=index|keep_out",
        desc: "What is wanted of the URLs that match"
      option :check_external, type: :boolean, default: false, desc: "Check links to other hosts, too (HEAD)"
      option :allow_private, **ALLOW_PRIVATE
      option :fail_on,
        enum: Core::Faults::Rule::GRADES,
        desc: "Exit with 1 where such faults, or graver ones, are found"
      # @return [Integer] exit code
      def audit(*start_urls)
        Crawling::Audit.new(start_urls, options).call
      end

      desc "export", "Write what the newest crawl of a site found as one table"
      option :site, required: true, banner: "NAME"
      option :what, required: true, enum: %w[urls links faults fixes]
      option :format, default: "csv", enum: Ports::Tables.formats.keys
      option :out, required: true, banner: "FILE"
      option :crawl, type: :numeric, banner: "N", desc: "Its number (default: the newest judged one of the whole site)"
      # @return [Integer] exit code
      def export
        Ledger::Export.new(options).call
      end

      desc "robots FILE_OR_URL", "Say of URLs or paths whether a robots.txt lets an agent fetch them"
      long_desc <<~TEXT
        Prints one JSON object a line, in the order asked: url, allowed, and the line and rule that decide
        (null where none does). URLs or paths
        are read from --urls, one a line, or from standard input.
      TEXT
      option :agent, required: true, banner: "TOKEN", desc: "The product token of the crawler"
      option :urls, banner: "FILE|-", desc: "Where the URLs or paths are; - is standard input"
      # @return [Integer] exit code
      def robots(source)
        Robots::Check.new(source, options).call
      end

      desc "render URL", "Have a browser render a page, and write what its scripts made of it"
      long_desc <<~TEXT
        Writes render.json (status, directives, what scripts changed, what it asked for, console, layout, timings),
        rendered.html, text.txt and screenshot.webp into DIR. The browser reaches nobody by itself: each request passes
        the rules of addresses, and as the crawler those of robots.txt.
      TEXT
      option :agent, enum: %w[crawler visitor], default: "crawler", desc: "As whom the page is asked for"
      option :width, type: :numeric, default: Core::Rendering::Layout::DESK, desc: "Of the window, in CSS pixels"
      option :out, required: true, banner: "DIR"
      option :resolve, **RESOLVE
      option :allow_private, **ALLOW_PRIVATE
      option :ignore_robots, **IGNORE_ROBOTS
      # @return [Integer] exit code
      def render(url)
        Rendering::Render.new(url, options).call
      end

      desc "terms URL_OR_FILE", "Count the terms of a page, and hold it against phrases and rivals"
      long_desc <<~TEXT
        Terms have one to three words; those of one stem are one. With rivals their medians and ranges are told, what at
        least half of them use, and the share of checks that the page meets, by weight (fit).
      TEXT
      option :rival, type: :string, repeatable: true, banner: "URL_OR_FILE"
      option :phrase, type: :string, repeatable: true, banner: "TEXT", desc: "What the page is to be found for"
      option :speed, type: :boolean, default: false, desc: "Ask for it three times, and tell its first byte's time"
      option :resolve, **RESOLVE
      option :allow_private, **ALLOW_PRIVATE
      option :ignore_robots, **IGNORE_ROBOTS
      option :json, **JSON_OPTION
      # @return [Integer] exit code
      def terms(source)
        Desk::Terms.new(source, options).call
      end

      desc "groups", "List the page groups of a site, or propose some by how its pages are built"
      option :site, required: true, banner: "NAME"
      option :propose, type: :boolean, desc: "What the newest crawl proposes, with why"
      option :take, type: :boolean, desc: "Take what is proposed in place of all groups"
      option :import, banner: "FILE.json", desc: "Take the groups of this file in place of all groups"
      option :export, banner: "FILE.json", desc: "Write the list into this file"
      option :json, type: :boolean, desc: "Print JSON"
      # @return [Integer] exit code
      def groups
        Sites::Groups.new(options).call
      end

      desc "sitemap SUBCOMMAND", "Check a sitemap file, or build those of a site"
      subcommand "sitemap", Sitemaps::Commands

      desc "evidence SUBCOMMAND", "Bring what indexes, search records and logs say of a site"
      subcommand "evidence", Evidence::Commands

      desc "triage", "Sort what an index left out by what to do about it"
      long_desc <<~TEXT
        Looks at every URL that the newest evidence of an index leaves out, as the site's crawler and at its speed, and
        writes one JSON object a line: its class, why, and what to do.
      TEXT
      option :site, required: true, banner: "NAME"
      option :index, banner: "NAME", desc: "Which index (default: the only one)"
      option :fetch, type: :boolean, default: true, desc: "Look at each URL now; --no-fetch takes the newest crawl"
      option :out, required: true, banner: "FILE.jsonl"
      # @return [Integer] exit code
      def triage
        Triage::Sort.new(options).call
      end

      desc "list FILE", "Join a list of URLs with what is known of them"
      long_desc <<~TEXT
        Every row of the list stays, in its order and with its own columns. Its URL is found by its normal form, else by
        host variant, slash or case, which matched_by tells. Each URL is looked at now unless --no-fetch.
      TEXT
      option :site, required: true, banner: "NAME"
      option :column, type: :string, repeatable: true, banner: "url=HEADING", desc: "Which column holds the URLs"
      option :fetch, type: :boolean, default: true, desc: "Look at each URL now"
      option :out, required: true, banner: "FILE.csv|xlsx|jsonl"
      # @return [Integer] exit code
      def list(file)
        Lists::Join.new(file, options).call
      end

      desc "hreflang SUBCOMMAND", "Check sets of languages"
      subcommand "hreflang", Languages::Commands

      desc "routes SUBCOMMAND", "Check a redirect map, or write one for a server"
      subcommand "routes", Redirects::Commands
    end
  end
end
