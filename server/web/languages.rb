# frozen_string_literal: true

require "digest"

module Stairwell
  module Server
    # The languages of the screens: which there are, which one a request is answered in,
    # and their texts for the browser.
    module Languages
      Locales.add(File.expand_path("../locales", __dir__))
      Locales.add(File.expand_path("../../web/locales", __dir__))

      # Where a request's {StudioContext} is.
      CONTEXT = "stairwell.context"
      # Texts of the front end, each file with a name that changes with it.
      PATH = %r{\A/texts/(?<tag>[A-Za-z0-9-]{2,35})-(?<print>\h{16})\.json\z}
      private_constant :PATH

      module_function

      # @return [Array<Hash>] {tag:, name:} of each
      def all = Locales.all.map { |tag| { tag: tag.to_s, name: Locales.name(tag) } }

      # @param tag [String]
      # @return [void]
      # @raise [RefusedError] when it is none
      def known!(tag)
        Locales.known?(tag) ||
          raise(
            RefusedError.new(
              Phrase["server.languages.unknown", tag: tag],
              code: :locale,
              field: "locale"
            )
          )
      end

      # @param header [String, nil] Accept-Language (RFC 9110)
      # @return [Symbol] the first of it that is spoken, if only in its language
      def asked(header)
        wanted =
          header.to_s.b[0, 200]
            .scrub("")
            .split(",")
            .map { |one| [one[/\A[^;]*/].strip, (one[/;\s*q=([\d.]+)/, 1] || 1).to_f] }
        tags =
          wanted
            .select { |_, share| share.positive? }
            .sort_by
            .with_index { |(_, share), at| [-share, at] }
            .map(&:first)
        (tags + tags.map { |tag| tag[/\A[A-Za-z]+/].to_s })
          .find { |tag| Locales.known?(tag) }
          &.to_sym || Locales::DEFAULT
      end

      # @return [Hash{String => String}] the address of each language's texts
      def addresses =
        @addresses ||=
          Locales.all.to_h do |tag|
            [tag.to_s, "/texts/#{tag}-#{Digest::SHA256.hexdigest(texts(tag))[0, 16]}.json"]
          end

      # @param path [String]
      # @return [String, nil] JSON; nil when there is nothing at the address
      def at(path)
        found = PATH.match(path)
        texts(found[:tag]) if found && addresses[found[:tag]] == path
      end

      def texts(tag)
        @texts ||= {}
        @texts[tag.to_s] ||= JSON.generate(Locales.texts(tag, :web))
      end

      # A language came in while the server runs.
      def again = @addresses = @texts = nil
      private_class_method :texts

      # Whoever is signed in is spoken to in the studio's language, also where a request is
      # refused. The studio they work in stays at hand for the routes.
      class OfStudio
        # @param contexts [StudioContexts]
        def initialize(app, contexts)
          @app = app
          @contexts = contexts
        end

        def call(env)
          return @app.call(env) unless env["rodauth"]&.session_value

          context =
            env[CONTEXT] = @contexts.of_person(env["rodauth"].door, env["rack.session"]["studio"])
          Locales.with(context.locale) { @app.call(env) }
        rescue Problem => problem
          # Who belongs to no studio any more can still see that, sign out, or join one.
          unless problem.code == "no_studio" && env["PATH_INFO"].match?(Guards::SignedIn::OPEN)
            raise
          end

          @app.call(env)
        end
      end

      # Answers in the language the browser asks for, until it is known who asks.
      class Asked
        def initialize(app)
          @app = app
        end

        def call(env) =
          Locales.with(Languages.asked(env["HTTP_ACCEPT_LANGUAGE"])) { @app.call(env) }
      end
    end
  end
end
