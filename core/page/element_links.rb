# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # The links of elements that a page has few of: link, script, iframe and frame.
      module ElementLinks
        RELATIONS = {"stylesheet" => "style", "next" => "next", "prev" => "prev"}.freeze

        module_function

        # @param node [Nokolexbor::Node]
        # @param resolver [Url::Resolver] with the document's base
        # @return [Array<Page::Link>] `followed` is left to the reader, who knows the directives
        def of(node, resolver)
          case node.name
          when "link" then relation(node, resolver)
          when "script" then embedded(node, "script", resolver)
          else embedded(node, "frame", resolver)
          end
        end

        def relation(node, resolver)
          rels = node["rel"].to_s.downcase.split
          target = rels.empty? ? nil : Link.target(node["href"], resolver)
          target ? RELATIONS.values_at(*rels).compact.map { |type| Link.new(target, type, nil, nil, place(node)) } : []
        end

        def embedded(node, type, resolver)
          target = Link.target(node["src"], resolver)
          target ? [Link.new(target, type, nil, nil, place(node))] : []
        end

        def place(node)
          while (node = node.parent)&.element?
            return node.name if Link.places.include?(node.name)
          end
        end
        private_class_method :relation, :embedded, :place
      end
    end
  end
end
