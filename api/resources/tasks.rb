# frozen_string_literal: true

module IronTrellis
  module Api
    module Resources
      # What a worker does for somebody who waits.
      module Tasks
        def self.registered(app)
          app.get("/api/tasks/:task") { json(Store::Tasks::Task.fetch(params[:task]).view) }
        end
      end
    end
  end
end
