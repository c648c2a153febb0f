# frozen_string_literal: true

module SkerrySite
  # Pictures of lamps, drawn from their measures.
  module Drawing
    METALS = {
      "copper" => "#b06a3c",
      "brass" => "#c39a3b",
      "bronze" => "#8a6a3f",
      "galvanised steel" => "#8d979b",
      "cast iron" => "#3f474b"
    }.freeze
    GLASSES = {
      "clear" => "#fff3c4",
      "amber" => "#f4b04a",
      "green" => "#4fae7c",
      "red" => "#cf4a3d",
      "red and green" => "#cf4a3d",
      "white and red" => "#fff3c4"
    }.freeze

    module_function

    # @param padding [Integer] bytes of nothing, as drawing programs leave behind
    # @return [String] SVG
    def quay(padding:)
      "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 200 100\" width=\"400\" " \
      "height=\"200\"><!--#{" " * padding}-->" \
        "<rect width=\"200\" height=\"100\" fill=\"#23292c\"/><path d=\"M0 80h200v20H0z\" fill=\"#5c666b\"/><circle " \
        "cx=\"150\" cy=\"40\" r=\"9\" fill=\"#fff3c4\"/></svg>"
    end

    # @param lamp [Hash] an item of lamps.yml
    # @return [String] SVG
    def lamp(lamp)
      metal = METALS.fetch(lamp["metal"], "#9aa5a9")
      glass = GLASSES.fetch(lamp["glass"], "#dde3e1")
      height = 60 + [lamp["height"], 120].min
      <<~SVG
        <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 260" width="400" height="520">
          <rect width="200" height="260" fill="#f7f4ee"/>
          <path d="M70 #{200 - height} q30 -34 60 0" fill="none" stroke="#{metal}" stroke-width="5"/>
          <rect x="62" y="#{200 - height}" width="76" height="18" rx="6" fill="#{metal}"/>
          <rect x="70" y="#{218 - height}" width="60" height="#{height - 44}" rx="10" fill="#{glass}"
            stroke="#{metal}" stroke-width="3"/>
          <rect x="58" y="174" width="84" height="30" rx="5" fill="#{metal}"/>
          <rect x="48" y="204" width="104" height="9" rx="4" fill="#23292c"/>
        </svg>
      SVG
    end
  end
end
