# frozen_string_literal: true

require "rack/files"
require "securerandom"

module Stairwell
  module Server
    # The built front end: its files, and its one page for every other address.
    # A nonce for each answer lets the style sheets that scripts make through
    # the content security policy, and nothing else. WebAssembly is allowed for
    # the engraving of excerpts; it comes from this server too.
    class Pages
      DIST = File.expand_path("../../web/dist", __dir__)
      NONCE = "__NONCE__"
      FOREVER = "public, max-age=31536000, immutable"
      HEADERS = {
        "x-content-type-options" => "nosniff",
        "referrer-policy" => "no-referrer",
        "x-frame-options" => "DENY",
        "permissions-policy" => "camera=(), geolocation=(), microphone=()",
        "cross-origin-opener-policy" => "same-origin"
      }.freeze

      def initialize(app)
        @app = app
        @files = Rack::Files.new(DIST)
      end

      def call(env)
        status, headers, body = answer(env)
        # Private data stay in no cache; the phone keeps the sheet by itself.
        headers["cache-control"] ||= "no-store"
        HEADERS.each { |name, value| headers[name] ||= value }
        headers["content-security-policy"] ||= policy("none")
        headers["strict-transport-security"] ||= "max-age=31536000" if env["rack.url_scheme"] ==
          "https"
        [status, headers, body]
      end

      private

      def answer(env)
        path = env["PATH_INFO"]
        return @app.call(env) if path.start_with?("/api/") || path == "/health"
        return texts(path) if path.start_with?("/texts/")
        return file(env, FOREVER) if path.start_with?("/assets/")
        if File.basename(path).include?(".") && !path.start_with?("/s/") && !path.include?("/.")
          return file(env, "no-cache")
        end

        page(Languages.asked(env["HTTP_ACCEPT_LANGUAGE"]))
      end

      # What is not there today may be there tomorrow: only what was found is kept.
      def file(env, keep) =
        @files
          .call(env)
          .tap do |status, headers, _|
            headers["cache-control"] = (status == 404) ? "no-store" : keep
          end

      def texts(path)
        json = Languages.at(path)
        return 404, { "content-type" => "text/plain" }, [] unless json

        [200, { "content-type" => "application/json", "cache-control" => FOREVER }, [json]]
      end

      # The page says in which language it begins, and where each is found.
      def page(locale)
        nonce = SecureRandom.base64(18)
        html =
          File
            .read(File.join(DIST, "index.html"))
            .gsub(NONCE, nonce)
            .sub("__LOCALE__", locale.to_s)
            .sub("__TEXTS__", Rack::Utils.escape_html(JSON.generate(Languages.addresses)))
        [
          200,
          {
            "content-type" => "text/html; charset=utf-8",
            "cache-control" => "no-store",
            "content-security-policy" => policy(nonce)
          },
          [html]
        ]
      rescue Errno::ENOENT
        [
          503,
          { "content-type" => "text/plain" },
          [Phrase["server.pages.the_front_end_is_not_built"].to_s]
        ]
      end

      def policy(nonce)
        "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'nonce-#{nonce}'; font-src 'self'; img-src 'self' data:; " \
          "connect-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
      end
    end
  end
end
