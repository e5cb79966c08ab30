# frozen_string_literal: true

module Stairwell
  module Formats
    module MusicXML
      # A bar line inside a measure that carries a repeat or an ending parts it: the music is
      # entered and left there. What stands behind it is a bar of its own, without a number.
      class InnerLines
        LINE = "barline[@location='middle'][repeat or ending]"
        # A child of a measure: `onset` in whole notes, `divisions` of a quarter there, `late`
        # behind such a line in the file.
        Child = Struct.new(:node, :onset, :divisions, :late)
        private_constant :LINE, :Child

        # @param parts [Hash{String => Array<Nokogiri::XML::Element>}] measures by part
        # @return [Hash{String => Array<Nokogiri::XML::Element>}] the same where there is none
        def self.apart(parts)
          # Asked of the whole at once: few scores have any.
          return parts unless parts.values.flatten(1).first&.document&.at_xpath("//#{LINE}")

          new(parts).apart
        end

        # (see .apart)
        def initialize(parts)
          @ids = parts.keys
          @children = parts.transform_values { |measures| scan(measures) }
          @measures = parts
        end

        # @return [Hash{String => Array<Nokogiri::XML::Element>}]
        def apart
          cuts =
            (0...@measures.values.map(&:size).max.to_i).map do |at|
              @ids.flat_map { |id| cuts(@children[id][at].to_a) }.uniq.sort
            end
          @ids.to_h do |id|
            [
              id,
              @measures[id].each_with_index.flat_map do |element, at|
                parted(element, @children[id][at], cuts[at])
              end
            ]
          end
        end

        private

        def scan(measures)
          divisions = 1
          measures.map do |measure|
            at = onset = 0r
            late = false
            measure.element_children.map do |node|
              if node.name == "attributes"
                divisions = [node.at_xpath("divisions")&.text.to_s[0, 12].to_i, divisions].find(
                  &:positive?
                )
              end
              length = length(node, divisions)
              at = [at - length, 0r].max if node.name == "backup"
              late ||= line?(node)
              late = false if node.name == "backup"
              onset = at unless node.at_xpath("chord")
              found = Child.new(node, onset, divisions, late)
              at += length if %w[note forward].include?(node.name) && !node.at_xpath("chord")
              found
            end
          end
        end

        def length(node, divisions)
          return 0r if node.name == "note" && node.at_xpath("grace")

          Rational(node.at_xpath("duration")&.text.to_s[/\A\s*\d{1,9}(\.\d{1,9})?/] || 0) /
            (4 * divisions)
        end

        def cuts(children) =
          children.select { |one| line?(one.node) && one.onset.positive? }.map(&:onset)

        def line?(node) =
          node.name == "barline" && node["location"] == "middle" &&
            !node.at_xpath("repeat | ending").nil?

        def parted(element, children, cuts)
          return [element] if cuts.empty?

          edges = [0r, *cuts, nil]
          edges
            .each_cons(2)
            .with_index
            .map do |(from, to), at|
              piece = Nokogiri::XML::Node.new(element.name, element.document)
              element.attribute_nodes.each { |one| piece[one.name] = one.value }
              piece["number"], piece["implicit"] = "X#{at}", "yes" if at.positive?
              fill(piece, children.select { |one| within?(one, from, to) }, from, to)
              children.select { |one| line?(one.node) }.each { |one| signs(piece, one, from, to) }
              piece
            end
        end

        # What stands right at the line is before it or behind it as in the file.
        def within?(child, from, to)
          return false if line?(child.node) || %w[backup forward].include?(child.node.name)
          return to.nil? if child.node.name == "barline" && child.node["location"] != "left"
          return from.zero? if child.node.name == "barline"

          (
            child.onset > from ||
              (child.onset == from && (from.zero? || child.late || child.node.name == "note"))
          ) &&
            (
              to.nil? || child.onset < to ||
                (child.onset == to && !child.late && child.node.name != "note")
            )
        end

        def fill(piece, children, from, to)
          at = 0r
          children.each do |one|
            at = go(piece, at, one.onset - from, one.divisions) unless one.node.at_xpath("chord") ||
              one.onset - from == at
            node = one.node.dup
            length = length(node, one.divisions)
            length = shorten(node, to - one.onset, one.divisions) if to && node.name == "note" &&
              one.onset + length > to
            piece.add_child(node)
            at += length if node.name == "note" && !node.at_xpath("chord")
          end
        end

        def go(piece, at, to, divisions)
          way = Nokogiri::XML::Node.new((to > at) ? "forward" : "backup", piece.document)
          way.add_child("<duration>#{((to - at).abs * 4 * divisions).to_f}</duration>")
          piece.add_child(way)
          to
        end

        def shorten(node, length, divisions)
          node.at_xpath("duration").content = (length * 4 * divisions).to_f.to_s
          length
        end

        # What closes belongs to the bar before the line, what opens to the one behind it.
        def signs(piece, child, from, to)
          child
            .node
            .xpath("repeat | ending")
            .each do |sign|
              opens = sign["direction"] == "forward" || sign["type"] == "start"
              next unless child.onset == (opens ? from : to)

              line = Nokogiri::XML::Node.new("barline", piece.document)
              line["location"] = opens ? "left" : "right"
              line.add_child(sign.dup)
              piece.add_child(line)
            end
        end
      end
    end
  end
end
