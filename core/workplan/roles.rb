# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Whose work a fix is.
      module Roles
        DEVELOPER = "developer"
        EDITOR = "editor"
        AUDITOR = "auditor"
        ALL = [DEVELOPER, EDITOR, AUDITOR].freeze
        OF_KINDS = {
          "server" => DEVELOPER,
          "robots" => DEVELOPER,
          "redirects" => DEVELOPER,
          "languages" => DEVELOPER,
          "sitemaps" => AUDITOR,
          "request" => AUDITOR
        }.freeze
        DECIDE = "decide"

        module_function

        # @param kind [String] of the fix
        # @param cause [String, nil]
        # @param template [Boolean] whether it is done once for all pages of a template
        # @return [String] one of ALL
        # @example
        #   Roles.of("content", "pages 1", false) # => "editor"
        def of(kind, cause, template)
          return AUDITOR if cause == DECIDE

          OF_KINDS.fetch(kind) { template ? DEVELOPER : EDITOR }
        end
      end
    end
  end
end
