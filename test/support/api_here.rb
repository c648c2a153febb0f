# frozen_string_literal: true

require "committee"
require "rack/test"
require_relative "database"
require_relative "site_server"

# The API in this process; every answer is held to openapi.yaml.
module ApiHere
  include TestDatabase
  include Rack::Test::Methods
  include Committee::Test::Methods

  Store = IronTrellis::Store
  PERSON = {email: "auditor@example.test", name: "An Auditor", password: "a long password"}.freeze

  def app = ApiHere.application

  # Under a name that the application answers to.
  def build_rack_test_session(_name) = Rack::Test::Session.new(app, "127.0.0.1")

  def self.application = @application ||= IronTrellis::Api::Server.application

  def committee_options
    @committee_options ||= {
      schema_path: IronTrellis::Api::App::CONTRACT,
      prefix: "/api",
      strict_reference_validation: true,
      parse_response_by_content_type: true,
      validate_success_only: false
    }
  end

  def request_object = last_request

  def response_data = [last_response.status, last_response.headers, last_response.body]

  def setup
    super
    app
    Rack::Attack.cache.store.clear
    Store::Accounts::User.delete_all
  end

  def call(verb, path, body = nil, status: 200)
    headers = {"CONTENT_TYPE" => "application/json", "HTTP_X_CSRF_TOKEN" => @token.to_s}
    custom_request(verb.to_s.upcase, "/api#{path}", body && JSON.generate(body), headers)
    assert_equal status, last_response.status, last_response.body
    assert_response_schema_confirm(status)
    JSON.parse(last_response.body).tap { |answer| @token = answer["csrf_token"] || @token }
  end

  # Asks for what a worker does, and lets one do it here.
  def worked(path, body = nil)
    task = done(path, body)
    flunk(task["problem"]["detail"]) if task["problem"]
    task["result"]
  end

  # And tells in words why it couldn't be done.
  def failed(path, body = nil) = done(path, body)["problem"]["detail"]

  def done(path, body)
    id = call(:post, path, body, status: 202)["task"]
    IronTrellis::Work::Runtime::Queue.work(queues: ["crawl"], threads: 1, attended: 1) do
      !Store::Tasks::Task.find(id).open?
    end
    call(:get, "/tasks/#{id}")
  end

  # Sends a file as it is.
  def send_file(path, bytes, status: 200)
    headers = {"CONTENT_TYPE" => "application/octet-stream", "HTTP_X_CSRF_TOKEN" => @token.to_s}
    custom_request("POST", "/api#{path}", bytes, headers)
    assert_equal status, last_response.status, last_response.body
    assert_response_schema_confirm(status)
    JSON.parse(last_response.body)
  end

  def sign_up
    call(:get, "/session")
    call(:post, "/accounts", PERSON, status: 201)
  end

  def site_input(**changes)
    {
      name: "contract #{SecureRandom.hex(6)}",
      settings: {
        start_urls: ["http://www.skerrylamps.example/"],
        rate: 0,
        resolve: {
          "www.skerrylamps.example:80" => "127.0.0.1:#{SiteServer.skerry.port}"
        }
      }
    }.merge(changes)
  end

  class << self
    attr_accessor :judged
  end

  # One judged crawl, made once through the API, for all that leave its site as they found it.
  def judged = ApiHere.judged ||= judged_anew

  # @return [Integer] the id of a crawl of a new site
  def judged_anew
    site = call(:post, "/sites", site_input(intents: [{pattern: "/account/*", intent: "keep_out"}]), status: 201)
    id = call(:post, "/sites/#{site["id"]}/crawls", status: 201)["id"]
    IronTrellis::Work::Runtime::Queue.work(queues: ["crawl"], threads: 1) { Store::Crawling::Crawl.find(id).ended? }
    id
  end
end
