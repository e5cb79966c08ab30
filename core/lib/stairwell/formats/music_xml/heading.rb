# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # The title of a score: of the work, the movement, or the heading printed on the first page.
      module Heading
        # Kinds of credits that are no title, as the specification names them.
        OTHERS = [
          "composer",
          "lyricist",
          "arranger",
          "rights",
          "page number",
          "part name",
          "subtitle"
        ].freeze
        # The least letters that make a title out of what is printed: page numbers have fewer.
        LETTER = /[[:alpha:]]/
        private_constant :OTHERS, :LETTER

        module_function

        # @param root [Nokogiri::XML::Element]
        # @return [String, nil] nil where nothing says it
        def of(root)
          [
            text(root.at_xpath("work/work-title")),
            text(root.at_xpath("movement-title")),
            printed(root)
          ].compact.first
        end

        # The credit that is called a title; else the largest of the first page that is nothing
        # else.
        def printed(root)
          credits = root.xpath("credit").select { |one| [nil, "", "1"].include?(one["page"]) }
          called =
            credits.find do |one|
              one.xpath("credit-type").any? { |type| type.text.strip == "title" }
            end
          return text(called.at_xpath("credit-words")) if called

          left =
            credits.reject do |one|
              one.xpath("credit-type").any? { |type| OTHERS.include?(type.text.strip) }
            end
          words =
            left
              .flat_map { |one| one.xpath("credit-words").to_a }
              .reject { |one| one["justify"] == "right" || !one.text.match?(LETTER) }
          text(words.each_with_index.max_by { |one, at| [one["font-size"].to_f, -at] }&.first)
        end

        def text(node) = node&.text.to_s.strip.then { |said| said unless said.empty? }
        private_class_method :printed, :text
      end
    end
  end
end
