# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # What is asked of a page in the browser, as JavaScript.
      module InPage
        MOST_HTML = 15_000_000
        MOST_TEXT = 2_000_000
        MOST_NODES = 20_000
        Layout = Core::Rendering::Layout

        # How the page lies in the window as it is.
        LAYOUT = <<~JS
          (() => {
            const root = document.documentElement;
            const seen = (node) => {
              const box = node.getBoundingClientRect();
              const style = getComputedStyle(node);
              return box.width > 0 && box.height > 0 && style.visibility !== "hidden" && style.opacity !== "0";
            };
            let smallest = null, small = 0, signs = 0, nodes = 0;
            const walk = document.createTreeWalker(document.body || root, NodeFilter.SHOW_TEXT);
            while (walk.nextNode() && nodes++ < #{MOST_NODES}) {
              const length = walk.currentNode.data.trim().length;
              const parent = walk.currentNode.parentElement;
              if (!length || !parent || !seen(parent)) continue;
              const size = parseFloat(getComputedStyle(parent).fontSize);
              signs += length;
              if (size < #{Layout::SMALL_TEXT}) small += length;
              if (smallest === null || size < smallest) smallest = size;
            }
            const all = [...document.querySelectorAll(
              "a[href], button, input:not([type=hidden]), select, textarea, summary, [role=button]"
            )].slice(0, #{MOST_NODES}).filter((node) => seen(node) && getComputedStyle(node).display !== "inline");
            const tight = all.filter((node) => {
              const box = node.getBoundingClientRect();
              return box.width < #{Layout::TARGET} || box.height < #{Layout::TARGET};
            });
            return {
              width: root.clientWidth,
              content: Math.max(root.scrollWidth, document.body ? document.body.scrollWidth : 0),
              smallest_text: smallest, small_signs: small, signs,
              targets: all.length, small_targets: tight.length
            };
          })()
        JS
        # The document as it is now, and what of it is visible.
        DOCUMENT = <<~JS
          (() => {
            const type = document.doctype ? "<!DOCTYPE " + document.doctype.name + ">" : "";
            const html = type + document.documentElement.outerHTML;
            const text = document.body ? document.body.innerText : "";
            return {
              url: location.href,
              html: html.slice(0, #{MOST_HTML}),
              cut: html.length > #{MOST_HTML},
              text: text.slice(0, #{MOST_TEXT}),
              height: document.documentElement.scrollHeight
            };
          })()
        JS
      end
    end
  end
end
