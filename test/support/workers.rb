# frozen_string_literal: true

# Worker processes of a test's own, each a process group with its supervisor, so that they can be killed as a machine
# would kill them.
module Workers
  TIMINGS = %w[first_byte_ms response_ms started_at seconds pages_per_second].freeze

  # @param queue [String]
  # @return [Integer] process id, which is that of the group
  def start_worker(queue)
    spawn({"TRELLIS_ENV" => "test"}, IronTrellis::ROOT.join("bin/worker").to_s, "--queue", queue, pgroup: true)
  end

  # Ends it at once, with all that it was doing.
  def kill_worker(pid)
    Process.kill("KILL", -pid)
    Process.wait(pid)
  end

  # Lets it finish what it is doing.
  def end_worker(pid)
    Process.kill("TERM", pid)
    Process.wait(pid)
  end

  # @param pid [Integer] of the group
  # @return [Integer] resident kilobytes of its largest process
  def kilobytes_of_worker(pid)
    `pgrep -g #{pid}`.split.map { |one| File.read("/proc/#{one}/status")[/^VmRSS:\s+(\d+)/, 1].to_i }.max.to_i
  rescue SystemCallError
    0
  end

  def wait_until(seconds)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    until yield
      flunk("waited #{seconds} s in vain") if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
      sleep 0.05
    end
  end

  # @param pid [Integer]
  # @return [Boolean] whether it runs; one that has ended and wasn't waited for doesn't
  def alive?(pid)
    !File.read("/proc/#{pid}/stat")[/\A.*\) (.)/, 1].then { |state| state.nil? || state == "Z" }
  rescue SystemCallError
    false
  end

  # @param crawl [IronTrellis::Store::Crawl] finished
  # @return [Hash{String => Array<Hash>}] rows of the audit's files, without what time it took
  def audit_rows(crawl)
    Dir.mktmpdir("rows") do |folder|
      IronTrellis::Work::Reports::AuditExport.new(crawl, folder).call
      %w[urls.jsonl links.jsonl faults.jsonl].to_h do |name|
        [name, File.readlines(File.join(folder, name)).map { |line| JSON.parse(line).except(*TIMINGS) }]
      end
    end
  end
end
