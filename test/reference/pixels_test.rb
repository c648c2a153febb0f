# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/chromium"

# Source: Chromium's CanvasRenderingContext2D.measureText (HTML standard) with Liberation Sans, which has the widths of
# Arial. Chromium draws some pairs of letters closer together, so that ours may be a little wider, never by much.
class PixelsTest < Minitest::Test
  Pixels = IronTrellis::Core::Desk::Pixels
  MEASURE = <<~JS
    const context = document.createElement("canvas").getContext("2d");
    context.font = `${arguments[1]}px "Liberation Sans"`;
    context.fontKerning = arguments[2];
    return arguments[0].map((text) => context.measureText(text).width);
  JS
  TEXTS = [
    "Anchor lights in brass and copper | Northlight Lanterns",
    "AVATAR To. WAVE LT Ty — 1,250.50 €",
    "Fanali e lanterne per navi, fatti a mano nel porto: più di 40 modelli",
    "Lygter til skibe og havne – Ærø, Øresund, Åbenrå",
    "Маяк светит далеко", "ξένος κόσμος και φως",
    "naïve café coöperate façade Łódź"
  ].freeze

  def self.browser = @browser ||= Chromium.session(resolve: {}).tap { |one| one.visit("about:blank") }

  def measured(texts, size, kerning) =
    self.class.browser.driver.browser.execute_script(MEASURE, texts, size, kerning)

  def test_widths_are_those_that_chromium_measures
    [Pixels::TITLE_SIZE, Pixels::DESCRIPTION_SIZE].each do |size|
      ours = TEXTS.map { |text| Pixels.width(text, size) }
      measured(TEXTS, size, "none").zip(ours) { |theirs, own| assert_in_delta theirs, own, 0.5 }
      measured(TEXTS, size, "auto").zip(ours) { |theirs, own| assert_in_delta theirs, own, theirs * 0.04 }
    end
  end

  def test_what_is_cut_fits
    long = TEXTS.join(" ")
    cut = Pixels.cut(long, 20, 600)
    assert_operator measured([cut], 20, "none").first, :<=, 600
    assert_operator measured([cut], 20, "none").first, :>, 500
    assert_equal [" …", TEXTS.first], [cut[-2..], Pixels.cut(TEXTS.first, 20, 600)]
  end
end
