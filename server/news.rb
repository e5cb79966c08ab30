# frozen_string_literal: true

require "logger"
require "message_bus"

module Stairwell
  module Server
    # That something was changed in a studio, told to whoever has it open, in whichever process they
    # are answered. What is told is whom it is about, as numbers; what is there now each screen asks
    # for itself, with the rights it has.
    #
    #   news.tell(studio_id, student_id: 7)
    #   news.listen(env, studio_id, since: 41, window: "k2j9d8s7")
    class News
      # Nobody is told, where nobody can be listening.
      NONE = Object.new.tap { |none| none.define_singleton_method(:tell) { |*, **| nil } }.freeze
      # Connections that have died are found one by one; as many are tried. Own choice: more than
      # threads hold.
      TRIES = 8
      private_constant :TRIES

      # @param url [String] of the database, for the app's role
      def initialize(url)
        @url =
          "#{url}#{url.include?("?") ? "&" : "?"}#{URI.encode_www_form(Store::ALIVE.merge(connect_timeout: Limits::CONNECT_SECONDS))}"
        @making = Mutex.new
      end

      # Called after what is told of is kept. That nobody could be told is no reason to refuse what
      # was done: screens ask again when they come back.
      # @param studio_id [Integer]
      # @param about [Hash{Symbol=>Object}] :student_id, :piece_id, and :by, the window it was done
      #   in
      # @return [void]
      def tell(studio_id, **about)
        tries = 0
        begin
          tries += 1
          bus.publish(channel(studio_id), about.compact) || raise(PG::ConnectionBad)
        rescue PG::Error
          retry if tries < TRIES
        end
      end

      # Answers when there is news, or in half a minute; no thread waits for it.
      # @param env [Hash] of the request
      # @param studio_id [Integer]
      # @param since [Integer] the last news it knows; -1 where it knows none
      # @param window [String] that listens: a second time it takes the place of the first
      # @return [Array] of Rack
      def listen(env, studio_id, since:, window:)
        poll.call(
          env.merge(
            "PATH_INFO" => "/message-bus/#{window}/poll",
            "HTTP_DONT_CHUNK" => "1",
            "message_bus.channels" => {
              channel(studio_id) => since.to_s
            }
          )
        )
      end

      private

      def channel(studio_id) = "/studio/#{studio_id}"

      def bus = here { @bus ||= configured(MessageBus::Instance.new) }

      # Begins to wait for what other processes tell.
      def poll =
        here do
          @poll ||=
            MessageBus::Rack::Middleware.new(
              nil,
              message_bus: @bus ||= configured(MessageBus::Instance.new)
            )
        end

      # In this process: what was open before a fork is not used after it.
      def here
        @making.synchronize do
          @bus = @poll = nil if @pid != Process.pid
          @pid = Process.pid
          yield
        end
      end

      def configured(bus)
        bus.configure(
          backend: :postgres,
          backend_options: @url,
          logger: Logger.new($stderr, level: Logger::ERROR),
          clear_every: Limits::NEWS_CLEARED_EVERY,
          keepalive_interval: 0,
          long_polling_interval: Limits::NEWS_SECONDS * 1000,
          max_active_clients: Limits::LISTENERS
        )
        bus.backend_instance.max_backlog_age = Limits::NEWS_KEPT
        bus.backend_instance.max_global_backlog_size = Limits::NEWS_AT_MOST
        bus
      end
    end
  end
end
