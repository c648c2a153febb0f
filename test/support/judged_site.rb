# frozen_string_literal: true

require_relative "api_here"

# The API over the demo's site as it was judged. What a test leaves there it forgets (`forget`), before and after.
module JudgedSite
  include ApiHere

  def setup
    super
    sign_up
    @site = Store::Crawling::Crawl.find(judged).site_id
    forget
  end

  def teardown
    forget
    super
  end
end
