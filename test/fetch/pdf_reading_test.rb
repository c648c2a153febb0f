# frozen_string_literal: true

require_relative "../test_helper"

class PdfReadingTest < Minitest::Test
  PdfReading = IronTrellis::Fetch::Pages::PdfReading

  # A document of one page, written out by ISO 32000-1 section 7.5.
  def document(title: "(Anchor lights)", text: "(Trim the wick) Tj")
    stream = "BT /F1 24 Tf 72 700 Td #{text} ET"
    objects = [
      "<< /Type /Catalog /Pages 2 0 R >>",
      "<< /Type /Pages /Kids [3 0 R] /Count 1 >>",
      "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 612 792] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>",
      "<< /Length #{stream.bytesize} >>\nstream\n#{stream}\nendstream",
      "<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>",
      "<< #{"/Title #{title}" if title} >>"
    ]
    body = "%PDF-1.4\n".b
    places =
      objects.each_with_index.map do |object, index|
        body.bytesize.tap { body << "#{index + 1} 0 obj\n#{object}\nendobj\n".b }
      end
    start = body.bytesize
    body << "xref\n0 7\n0000000000 65535 f \n" << places.map { |place| format("%010d 00000 n \n", place) }.join
    body << "trailer\n<< /Size 7 /Root 1 0 R /Info 6 0 R >>\nstartxref\n#{start}\n%%EOF\n"
  end

  def test_title_and_text_are_read
    title, text = PdfReading.call(document)

    assert_equal ["Anchor lights", "Trim the wick"], [title, text.strip]
  end

  def test_a_title_beyond_ascii_is_read
    assert_equal "Blåe lys", PdfReading.call(document(title: "<FEFF0042006C00E50065 0020006C00790073>")).first
  end

  def test_without_a_title_there_is_none
    assert_nil PdfReading.call(document(title: nil)).first
    assert_nil PdfReading.call(document(title: "(   )")).first
  end

  def test_what_is_no_document_gives_nothing
    assert_equal [nil, nil], PdfReading.call("%PDF-1.4 and then nothing of the kind")
    assert_equal [nil, nil], PdfReading.call("")
  end
end
