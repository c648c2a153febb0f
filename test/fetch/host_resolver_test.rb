# frozen_string_literal: true

require_relative "../test_helper"

class AddressBookTest < Minitest::Test
  Book = IronTrellis::Fetch::Http::HostResolver
  FetchError = IronTrellis::Fetch::Http::FetchError

  # Source: the IANA registries of special-purpose addresses (RFC 6890), multicast (RFC 5771, RFC 4291), and the
  # translation prefix of RFC 6052.
  INNER = %w[
    0.0.0.0
    10.1.2.3
    100.64.0.1
    100.127.255.254
    127.0.0.1
    127.255.255.254
    169.254.169.254
    172.16.0.1
    172.31.255.254
    192.0.0.1
    192.168.0.1
    198.18.0.1
    198.19.255.254
    224.0.0.1
    240.0.0.1
    255.255.255.255
    [::]
    [::1]
    [::ffff:10.0.0.1]
    [::ffff:127.0.0.1]
    [64:ff9b::a00:1] [::ffff:0:7f00:1]
    [fc00::1]
    [fd12::1]
    [fe80::1]
    [ff02::1]
  ].freeze
  OUTER = %w[
    1.1.1.1
    9.255.255.255
    11.0.0.0
    100.63.255.255
    100.128.0.0
    126.255.255.255
    128.0.0.1
    169.253.255.255
    172.15.255.255
    172.32.0.0
    192.167.255.255
    198.17.255.255
    198.20.0.0
    223.255.255.255
    [2606:4700::1]
    [::ffff:1.1.1.1]
    [fbff::1]
  ].freeze

  def book(**options) = Book.new(resolve: {}, allow_private: false, **options)

  INNER.each do |address|
    define_method("test_#{address}_is_refused_unless_allowed") do
      error = assert_raises(FetchError) { book.find(address, 80) }
      assert_equal "connect", error.kind
      assert_equal [[address.delete("[]"), 80]],
        book(allow_private: true).find(address, 80).map { |found, port| [plain(found, address), port] }
    end
  end

  def test_public_addresses_are_not_refused
    OUTER.each { |address| assert_equal [443], book.find(address, 443).map(&:last), address }
  end

  def test_a_host_that_was_mapped_goes_where_it_was_said_even_to_a_private_address
    mapped = book(resolve: {"a.test:80" => "127.0.0.1:7420", "b.test:443" => "10.0.0.1", "c.test:80" => "[::1]:81"})

    assert_equal [["127.0.0.1", 7420]], mapped.find("a.test", 80)
    assert_equal [["10.0.0.1", 443]], mapped.find("b.test", 443)
    assert_equal [["::1", 81]], mapped.find("c.test", 80)
    assert mapped.mapped?("a.test", 80)
    refute mapped.mapped?("a.test", 443), "another port is another place"
  end

  def test_a_name_without_an_address_is_told_from_one_that_is_refused
    assert_equal "dns", assert_raises(FetchError) { book.find("nowhere.invalid", 80) }.kind
    assert_match(/localhost has a private address/, assert_raises(FetchError) { book.find("localhost", 80) }.message)
  end

  def test_what_a_proxy_resolves_may_be_unknown_to_us_but_not_private
    assert_nil book.permit("nowhere.invalid", 80)
    assert_raises(FetchError) { book.permit("localhost", 80) }
  end

  # The one waits for the other's turn, which would never come if all names were looked up one after the other.
  def test_a_name_that_is_slow_to_be_found_holds_up_no_other
    slow = Thread::Queue.new
    book =
      Class
        .new(Book) { define_method(:lookup) { |host| (host == "slow.test") ? slow.pop : ["1.1.1.1"] } }
        .new(resolve: {}, allow_private: false)
    waiting = Thread.new { book.find("slow.test", 80) }
    Thread.pass until slow.num_waiting == 1
    assert_equal [["1.1.1.1", 80]], book.find("quick.test", 80)
    slow << ["2.2.2.2"]
    assert_equal [["2.2.2.2", 80]], waiting.value
  end

  # What pages link to on other hosts is asked for only where those are to be checked.
  def test_private_hosts_outside_are_permitted_with_those_inside_where_links_out_are_checked
    of = ->(**settings) {
      values = {"start_urls" => ["http://127.0.0.1/"], "allow_private" => true}.merge(settings.transform_keys(&:to_s))
      Book.of(IronTrellis::Core::Settings::Crawl.new(values))
    }
    assert_raises(FetchError) { of.call.find("127.0.0.2", 80) }
    assert_equal [["127.0.0.2", 80]], of.call(check_external: true).find("127.0.0.2", 80)
    assert_raises(FetchError) { of.call(check_external: true, allow_private: false).find("127.0.0.2", 80) }
  end

  private

  # Resolvers write an address in a form of their own.
  def plain(found, address) = (IPAddr.new(found) == IPAddr.new(address.delete("[]"))) ? address.delete("[]") : found
end
