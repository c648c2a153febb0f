# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # What a worker does for somebody who waits.
      module Tasks
        def self.registered(app)
          app.get("/api/tasks/:task") do
            task = Store::Tasks::Task.fetch(params[:task])
            json(task.view.merge(waits_for: Work::Runtime::Waiting.for(task)))
          end

          app.delete("/api/tasks/:task") do
            Store::Tasks::Task.fetch(params[:task]).cancel(now: now)
            status 204
          end
        end
      end
    end
  end
end
