# frozen_string_literal: true

# How every Ruby program of ours begins: the locked gems on the load path, then the loader of the application. Resolving
# the gems anew takes Bundler a third of a second, so the file is used that bin/setup has it write (bundle install
# --standalone), as long as it is newer than the lock file.
module Boot
  ROOT = File.expand_path("..", __dir__)
  GEMS = File.join(ROOT, "vendor/bundle/bundler/setup.rb")
  LOCK = File.join(ROOT, "Gemfile.lock")
  # Reading pages makes many short-lived objects: a larger young heap saves a sixth of the time, and jemalloc gives back
  # what glibc would keep, after a second rather than ten: a tenth less memory while a large crawl is judged. All of it
  # is read when a process starts, so the program starts itself anew with it.
  TUNING = {
    "RUBY_GC_HEAP_INIT_SLOTS" => "400000",
    "RUBY_GC_MALLOC_LIMIT" => "40000000",
    "RUBY_GC_MALLOC_LIMIT_MAX" => "40000000",
    "RUBY_GC_OLDMALLOC_LIMIT" => "80000000",
    "RUBY_GC_OLDMALLOC_LIMIT_MAX" => "80000000",
    "MALLOC_CONF" => "dirty_decay_ms:1000,muzzy_decay_ms:0",
    "TRELLIS_TUNED" => "1"
  }.freeze

  module_function

  # @return [void]
  # @raise [LoadError, StandardError] where gems are missing
  def call
    # What files and terminals hold is UTF-8, whatever the locale says.
    Encoding.default_external = Encoding::UTF_8
    (defined?(Bundler) || !current?) ? resolve : standalone
    require File.join(ROOT, "iron_trellis")
  end

  # Starts this program anew, tuned for reading pages, unless it is so already. Does not return where it does.
  #
  # @param program [String] its file
  # @param arguments [Array<String>]
  # @return [void]
  def tuned(program, arguments)
    return if ENV["TRELLIS_TUNED"]

    jemalloc = Dir["/usr/lib/*/libjemalloc.so.2"].first
    environment = TUNING.merge(jemalloc ? {"LD_PRELOAD" => jemalloc} : {})
    exec environment, RbConfig.ruby, "--yjit", "--yjit-exec-mem-size=24", program, *arguments
  end

  def current? = File.exist?(GEMS) && File.mtime(GEMS) >= File.mtime(LOCK)

  # Some gems ask for others by their versions (Active Record for pg); all that are locked are there.
  def standalone
    require GEMS
    Kernel.define_method(:gem) { |*| true }
    Kernel.send(:private, :gem)
    remember
  end

  # Where each library lies and what it compiles to: with a hundred gems looking for them is half of the time that a
  # command takes to start.
  def remember
    require "bootsnap"
    Bootsnap.setup(cache_dir: File.join(ROOT, "var/cache"), development_mode: false, load_path_cache: true,
      compile_cache_iseq: true, compile_cache_yaml: false)
  rescue SystemCallError
    # Nothing may be written here: then it is looked for each time.
  end

  def resolve
    ENV["BUNDLE_GEMFILE"] ||= File.join(ROOT, "Gemfile")
    require "bundler/setup"
  end
end
