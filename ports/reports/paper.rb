# frozen_string_literal: true

module IronTrellis
  module Ports
    module Reports
      # A report as it is written on paper: its site, the day, foreword and logo (a data: address, empty where there is
      # none), wanted pages that stop by rung then and now (`stops`: [[rung, then, now]]), the two `crawls` ({number,
      # day}) and its `sections`.
      Paper = Struct.new(:site, :day, :foreword, :logo, :stops, :crawls, :sections, keyword_init: true)
    end
  end
end
