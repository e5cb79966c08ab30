# frozen_string_literal: true

require "yaml"
require "tmpdir"

# A language nobody speaks: every text of the locale files in brackets. What stands
# outside of brackets on a screen does not come from a locale file.
module Pseudo
  TAG = "en-x-pseudo"
  PARTS = %w[core server web].freeze
  INNERMOST = /⟦[^⟦⟧]*⟧/

  module_function

  # Speaks it while the block runs.
  def taught
    folder = Dir.mktmpdir
    PARTS.each { |part| write(part, "#{folder}/#{part}") }
    PARTS.each { |part| Stairwell::Locales.add("#{folder}/#{part}") }
    Stairwell::Server::Languages.again
    yield
  ensure
    PARTS.each { |part| Stairwell::Locales.forget("#{folder}/#{part}") }
    Stairwell::Server::Languages.again
    FileUtils.rm_rf(folder)
  end

  def write(part, folder)
    root = File.expand_path("../..", __dir__)
    texts = YAML.load_file("#{root}/#{part}/locales/en.yml").fetch("en")
    FileUtils.mkdir_p(folder)
    File.write("#{folder}/#{TAG}.yml", YAML.dump({ TAG => bracketed(texts) }))
  end

  # What stands between texts holds no word. Days are written by the browser, which
  # knows no such language; in Greek they cannot be taken for English.
  def bracketed(node, path = [])
    case node
    when Hash
      node.to_h { |key, value| [key, bracketed(value, [*path, key])] }
    when Array
      node.map { |one| one && "⟦#{one}⟧" }
    else
      return "el" if path == %w[web dates as]

      node.match?(/[[:alpha:]]/) ? "⟦#{node}⟧" : node
    end
  end

  # @param text [String] of a screen, a message or a print
  # @return [String] what of it is not from a locale file
  def outside(text)
    text = text.gsub(INNERMOST, "") while text.match?(INNERMOST)
    text
  end

  # Everything a person sees or hears of a page, but for what was typed into fields.
  SEEN = <<~JS
    const seen = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode())
      if (!node.parentElement.closest("script, style, textarea, kbd")) seen.push(node.textContent);
    for (const one of document.querySelectorAll("[aria-label], [title], [placeholder]"))
      for (const name of ["aria-label", "title", "placeholder"]) if (one.hasAttribute(name)) seen.push(one.getAttribute(name));
    seen.push(document.title);
    return [...new Set(seen)];
  JS
end
