# frozen_string_literal: true

require "erb"

module IronTrellis
  module Ports
    module Calendars
      # A plan as iCalendar (RFC 5545): one event a fix, of whole days, whose UID stays and whose SEQUENCE rises when it
      # is moved.
      module Plan
        PRODUCT = "-//Iron Trellis//Workplan//EN"
        # What is written of one fix.
        Event = Struct.new(:id, :title, :owner, :start, :finish, :sequence, :changed_at, keyword_init: true)

        module_function

        # @param site [String] its name
        # @param events [Array<Event>]
        # @return [String]
        def text(site, events)
          # Not before: no other command needs it.
          require "icalendar"
          calendar = Icalendar::Calendar.new
          calendar.prodid = PRODUCT
          events.each { |event| calendar.add_event(event_of(site, event)) }
          calendar.publish
          calendar.to_ical
        end

        def event_of(site, one)
          Icalendar::Event.new.tap do |event|
            event.uid = "#{one.id}@#{ERB::Util.url_encode(site)}"
            event.dtstamp = Icalendar::Values::DateTime.new(one.changed_at.utc, "tzid" => "UTC")
            event.dtstart = Icalendar::Values::Date.new(one.start)
            event.dtend = Icalendar::Values::Date.new(one.finish + 1)
            event.sequence = one.sequence
            event.summary = "#{one.id} #{one.title}"
            event.description = one.owner
          end
        end
        private_class_method :event_of
      end
    end
  end
end
