# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # What a teacher changes for their students, or for one student, over the
      # studio's script without copying it. A layer is a script of its own; a
      # statement in it takes the place of one about the same thing, and
      # `without repeat: 9-13` takes one away.
      class Layer
        WITHOUT = /\A\s*without\s+/i

        # @param base [String] a script
        # @param layers [Array<String>] the lowest first
        # @return [String] the script with the layers on it; what does not fit
        #   it is left out
        def self.on(base, *layers) =
          layers.compact.inject(base) { |text, layer| new(layer).over(text) }

        # @param text [String]
        def initialize(text)
          @statements = PageScript.lines(text).map { |line| Text.apart(line).first.strip }
        end

        # @param base [String]
        # @return [String] the changed script
        def over(base)
          sorted = statements
          Edit.new(base).call(
            drop: sorted[true].to_a.map { |line| line.sub(WITHOUT, "") },
            put: sorted[false].to_a,
            lenient: true
          )
        end

        # @param base [String]
        # @return [Array<Problem>] lines that say nothing on this page, or take
        #   away what is not there
        def problems(base)
          @statements.each_with_index.filter_map do |line, at|
            next if line.empty?

            without = line.match?(WITHOUT)
            Edit.new(base).call((without ? :drop : :put) => [line.sub(WITHOUT, "")])
            nil
          rescue UnreadableError => error
            Problem.new(
              line: at + 1,
              column: 1,
              text: line,
              message: error.message,
              suggestion: nil
            )
          end
        end

        # @param base [String] the script the layer lies on
        # @param put [Array<String>]
        # @param drop [Array<String>]
        # @return [String] the layer that, laid on the base, shows it so changed
        def self.change(layer, base:, put:, drop:)
          showing(Edit.new(on(base, layer)).call(put: put, drop: drop), base, layer)
        end

        # Puts one person's changes of a layer on top of another's.
        #
        # @param under [String] the script the layer lies on
        # @param base [String] the layer both began from
        # @param mine [String]
        # @param theirs [String]
        # @return [String] see {PageScript.merge}
        def self.merge(under:, base:, mine:, theirs:)
          pages =
            { base: base, mine: mine, theirs: theirs }.transform_values { |layer| on(under, layer) }
          showing(PageScript.merge(**pages), under, theirs)
        end

        # @param shown [String] a script
        # @param base [String] the script the layer lies on
        # @param layer [String] as it was: its comments and its order stay
        # @return [String] the layer that, laid on the base, shows that
        def self.showing(shown, base, layer)
          under, over = [base, shown].map { |text| PageScript.read(text).map }
          return layer unless under && over

          changes = PageScript.difference(under, over)
          replaced = changes[:drop].reject { |line| line_replaced?(base, line, changes[:put]) }
          wanted = [*replaced.map { |line| "without #{line}" }, *changes[:put]]
          had = PageScript.lines(layer).reject { |line| line.strip.empty? }
          comments = had.select { |line| line.strip.start_with?("#") }
          [*comments, *(had & wanted), *(wanted - had)].map { |line| "#{line}\n" }.join
        end

        # Whether putting the other statements takes this one away by itself.
        def self.line_replaced?(base, line, put)
          before, after =
            [base, Edit.new(base).call(put: put, lenient: true)].map do |text|
              PageScript.write(PageScript.read(text).map).lines(chomp: true)
            end
          before.include?(line) && !after.include?(line)
        end
        private_class_method :line_replaced?

        private

        def statements = @statements.reject(&:empty?).group_by { |line| line.match?(WITHOUT) }
      end
    end
  end
end
