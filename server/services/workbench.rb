# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # One piece at work: what is typed and clicked, for the studio, a
      # teacher's students or one student; its revisions, sound and drill. The
      # script is the source; a click changes it by statements.
      class Workbench
        # @param desk [Desk]
        # @param id [Integer] piece
        # @param whose [String, nil] "studio", "teacher" or a student's id
        # @param revision [Integer, nil] of the studio's page; the newest where none is said
        def initialize(desk, id, whose = nil, revision: nil)
          @desk = desk
          @pieces = Models::Pieces.new(desk)
          @layers = Models::Layers.new(desk)
          @row = @pieces.find(id)
          @row = @row.merge(revision: revision) if revision
          @whose = @layers.whose(whose)
        end

        # @param given [Hash] an assignment's row
        # @return [Workbench] the page its steps were made from, as it is for its student
        def self.of(desk, given) = new(desk, given[:piece_id], given[:student_id].to_s, revision: given[:revision])

        # @return [Hash] the piece with its script and its revision
        def show
          return whole(map, script: studio_script, revision: @row[:revision]) if @whose.studio?

          layer = @layers.newest(@row[:id], @whose)
          whole(map, script: layer[:script], revision: layer[:revision])
        end

        # @return [Score::Map] as it is for whom it is shown
        def map
          layers = @whose.studio? ? [] : [*@layers.under(@row[:id], @whose), @layers.newest(@row[:id], @whose)[:script]]
          return @pieces.map(@row[:id], @row[:revision]) if layers.all? { |one| one.to_s.strip.empty? }

          map_of(Formats::PageScript::Layer.on(studio_script, *layers))
        end

        # Reads a script and changes it; nothing is saved.
        # @param put [Array<String>] statements
        # @param drop [Array<String>]
        # @param suggest [Boolean] whether to put in the sections that are suggested
        # @param shift [Hash, nil] a line's end: page:, line:, by: (bars)
        # @return [Hash] {script:, piece:, problems:}
        # @raise [UnreadableError] naming a statement that makes no sense
        def draft(script, put: [], drop: [], suggest: false, shift: nil)
          put += suggestion(script) if suggest
          put += shifted(script, shift) if shift
          return layer_draft(script, put, drop) unless @whose.studio?

          script = Formats::PageScript::Edit.new(script).call(put: put, drop: drop) if put.any? || drop.any?
          result = Formats::PageScript.read(script)
          {script: script, piece: result.map && view(with_score(result.map)), problems: result.problems.map(&:to_h)}
        end

        # @param seen [Integer] the revision it was made from
        # @return [Hash] as {#show}
        # @raise [Problem] 409 with theirs and both put together
        def save(script, seen:)
          return save_layer(script, seen) unless @whose.studio?

          read = Formats::PageScript.read(script).map || raise(Library.no_page)
          map = with_score(read)
          row = @pieces.revise(@row[:id], map.with(title: map.title[0, 200], book: map.book&.slice(0, 200)), script: script, seen: seen)
          whole(map, script: script, revision: row[:revision])
        end

        # @return [Array<Hash>] sittings, the newest first, with what changed
        def revisions
          sittings = @whose.studio? ? @pieces.sittings(@row[:id]) : @layers.sittings(@row[:id], @whose)
          sittings.map { |one| {revision: one[:revision], before: one[:before], by: one[:by], at: one[:made_at].utc.iso8601} }
        end

        # @param number [Integer]
        # @param against [Integer, nil] an earlier revision
        # @return [Hash] {script:, put:, drop:}, what was said anew since the
        #   earlier one and what no longer
        def revision(number, against: nil)
          after = script_at(number)
          before = against ? script_at(against) : ""
          {script: after, **changed(before, after)}
        end

        # @param tempo [Integer, nil] beats per minute
        # @return [Hash] see {Roadmap::Playback#to_h}
        def sound(tempo: nil)
          shown = map
          Roadmap.playback(shown, tempo: tempo || shown.target_tempo)
        end

        # @return [Array<Hash>]
        def drill
          shown = map
          Roadmap.drill(shown).map { |one| question(shown, one) }
        end

        # Keeps what a student answered; the same key twice is one result.
        # @return [Hash]
        def keep_drill(student_id:, key:, asked:, missed:)
          raise Problem.new(422, "More bars were missed than asked.", code: "drill", field: "missed") if missed.size > asked

          student = @layers.student(student_id)
          @desk.db[:drill_results].insert_conflict.insert(
            studio_id: @desk.studio_id, student_id: student[:id], key: key, piece_id: @row[:id], day: @desk.today, asked: asked,
            correct: asked - missed.size, missed: Sequel.pg_array(missed, :integer), made_by: @desk.account_id
          )
          {success: "kept"}
        end

        # @return [String] the score as MusicXML text
        # @raise [Problem] 404 when none was loaded
        def score
          bytes = @pieces.score(@row[:id]) || raise(Problem.not_found("score"))
          Formats::MusicXML::Package.text(bytes.to_s)
        end

        # @param kind [String] "musicxml", "script" or "map"
        # @return [String]
        def export(kind)
          # The studio's own script goes out as it was typed.
          (kind == "script" && @whose.studio?) ? studio_script : Formats.write(map, kind)
        end

        private

        def studio_script = @studio_script ||= @pieces.script(@row[:id], @row[:revision])

        # @return [String] what a layer lies on
        def base = @base ||= Formats::PageScript::Layer.on(studio_script, *@layers.under(@row[:id], @whose))

        def map_of(script) = with_score(Formats::PageScript.read(script).map || @pieces.map(@row[:id], @row[:revision]))

        # What only the score knows stays, as long as the bars do.
        def with_score(map)
          @scored ||= [@pieces.scored(@row[:id])]
          scored = @scored.first
          return map unless scored && scored.bars.map(&:length) == map.bars.map(&:length)

          same_meters = scored.bars.map { |bar| bar.meter.to_s } == map.bars.map { |bar| bar.meter.to_s }
          map.with(notes: scored.notes, unread: scored.unread, **(same_meters ? {bars: scored.bars} : {})).with_hands_said
        end

        def suggestion(script)
          shown = with_score(Formats::PageScript.read(script).map || raise(Library.no_page))
          raise Problem.new(409, "This piece has sections already. Take them away first, or change them on the page.", code: "has_sections") if shown.sections.any?

          writer = Formats::PageScript::Writer.new(shown)
          Sections.suggest(shown).map { |one| writer.statement(:sections, one) }
        end

        # @return [Array<String>] the page's lines as a statement, none where nothing moves
        def shifted(script, shift)
          shown = Formats::PageScript.read(@whose.studio? ? script : Formats::PageScript::Layer.on(base, script)).map || raise(Library.no_page)
          lines = shown.layout.shifted(**shift)
          lines ? ["page #{shift[:page]}: #{lines.join(" ")}"] : []
        end

        def layer_draft(layer, put, drop)
          Formats::PageScript::Edit.new(Formats::PageScript::Layer.on(base, layer)).call(put: put, drop: drop)
          layer = Formats::PageScript::Layer.change(layer, base: base, put: put, drop: drop) if put.any? || drop.any?
          shown = Formats::PageScript.read(Formats::PageScript::Layer.on(base, layer)).map
          {script: layer, piece: shown && view(with_score(shown)), problems: Formats::PageScript::Layer.new(layer).problems(base).map(&:to_h)}
        end

        def save_layer(script, seen)
          @layers.add(@row[:id], @whose, script, seen: seen)
          show
        end

        def script_at(number) = @whose.studio? ? @pieces.script(@row[:id], number) : @layers.revision(@row[:id], @whose, number)[:script]

        def changed(before, after)
          maps = [before, after].map { |script| Formats::PageScript.read(script).map }
          return Formats::PageScript.difference(*maps) if @whose.studio? && maps.all?

          lines = [before, after].map { |script| script.lines(chomp: true).map(&:strip).reject(&:empty?) }
          {drop: lines.first - lines.last, put: lines.last - lines.first}
        end

        def question(map, one)
          name = ->(bar) { bar && map.bar(bar).name }
          {
            at: one.at, bar: one.bar, name: name[one.bar], right: one.right, why: one.why,
            choices: one.choices.map { |bar| {bar: bar, name: name[bar], why: one.wrong[bar]} }
          }
        end

        def view(map)
          student = @layers.student(@whose.id) if @whose.kind == :student
          about = student ? {span: student[:hand_span], pedal: student[:has_pedal], known: student[:known].to_a} : {}
          Views::Piece.new(map, about: about).to_h
        end

        def whole(map, script:, revision:)
          view(map).merge(id: @row[:id], revision: revision, script: script, has_score: @pieces.score?(@row[:id]), layer: @whose.kind.to_s)
        end
      end
    end
  end
end
