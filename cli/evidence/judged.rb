# frozen_string_literal: true

module IronTrellis
  module Cli
    module Evidence
      # Has the newest crawl of a site judged again, here and now.
      module Judged
        LOOK_AGAIN_SECONDS = 0.5

        # In a process of its own, whose memory goes with it. Another process may be at it: then its end is waited for.
        #
        # @param site [Store::Sites::Site]
        # @return [void]
        # @raise [Ending]
        def self.again(site)
          crawl = site.newest_crawl or return
          warn "Judging crawl #{crawl.number} again"
          ActiveRecord::Base.connection_handler.clear_all_connections!
          _, status = Process.wait2(fork { judge(crawl.id) })
          return if status.success?

          raise Ending.new(
            "The evidence is kept, but the crawl could not be judged again. Judge it on the screen, or import again.",
            Ending::COULD_NOT
          )
        end

        def self.judge(id)
          Store::Postgres::Database.revive
          crawl = Store::Crawling::Crawl.find(id)
          sleep LOOK_AGAIN_SECONDS until Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })
          Store::Judging::VerdictRun.drop_old(crawl, Time.now)
          exit!(0)
        rescue => error
          warn error.full_message(highlight: false)
          exit!(1)
        end
        private_class_method :judge
      end
    end
  end
end
