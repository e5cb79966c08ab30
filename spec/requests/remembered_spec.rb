# frozen_string_literal: true

require_relative "../spec_helper"

# What a process remembers: values of texts, and sheets of the versions of their rows.
RSpec.describe Stairwell::Server::Remembered do
  include Statements

  describe "values of texts" do
    let(:remembered) { described_class.new(40) }

    def made(...) = remembered.fetch(...)

    it "are made once of the same texts, and anew of others" do
      made = 0
      2.times { made(:page, "abc", nil) { made += 1 } }
      expect(made(:page, "abc", nil) { :again }).to eq(1)
      expect(
        [
          made(:page, "abc", "") { :empty },
          made(:page, "ab", "c") { :cut },
          made(:week, "abc", nil) { :kind }
        ]
      ).to eq(%i[empty cut kind])
    end

    it "give way when there are too many letters, the one not asked for longest first" do
      %w[aaaaaaaaaa bbbbbbbbbb cccccccccc dddddddddd].each { |text| made(:page, text) { text } }
      made(:page, "aaaaaaaaaa") { raise }
      made(:page, "eeeeeeeeee") { "e" }
      expect(remembered.size).to eq(40)
      expect(%w[aaaaaaaaaa bbbbbbbbbb cccccccccc].map { |text| made(:page, text) { :anew } }).to eq(
        ["aaaaaaaaaa", :anew, :anew]
      )
    end

    it "are not kept where one would push out the others" do
      made(:page, "short") { :short }
      made(:page, "x" * 11) { :long }
      expect(
        [remembered.size, made(:page, "short") { raise }, made(:page, "x" * 11) { :again }]
      ).to eq([5, :short, :again])
    end

    it "hold as many letters as they say, whoever asks at once" do
      8
        .times
        .map { |at| Thread.new { 300.times { |n| made(:page, ((n + at) % 23).to_s * 4) { n } } } }
        .each(&:join)
      expect(remembered.size).to be_between(1, 40)
      expect(remembered.size).to eq(
        remembered.instance_variable_get(:@values).keys.sum { |_, text| text.length }
      )
    end
  end

  # That no sheet is an old one is looked at wherever a sheet is shown ({Afresh}); here it is
  # changed by everything that changes one without being about the student.
  describe "a sheet" do
    before do
      TestApp.studio
      sign_in
    end

    let!(:student) { student_with_piece }
    let(:path) { sheet_of(student) }

    def shown = ask(:get, path)

    # @return [Array<Integer, Array<String>>] statements that a look took, and files of the core
    #   in which something was called
    def look
      core = File.expand_path("../../core/lib/stairwell", __dir__)
      called = []
      watch =
        TracePoint.new(:call) do |call|
          if File.fnmatch(
               "#{core}/{planning,progress,practice,studio}/**",
               call.path,
               File::FNM_EXTGLOB
             )
            called << call.path.delete_prefix("#{core}/")
          end
        end
      [statements { watch.enable { shown } }.size, called.uniq.sort]
    end

    it "is read again without a word of the core, and with few statements" do
      shown
      expect(look).to match([a_value <= 8, []])
    end

    it "counts what is tapped today without working anything else out; a tap for a day gone by is another matter" do
      TestApp.now = Time.utc(2027, 3, 5, 12)
      first = ->(sheet) { sheet["days"].find { |day| day["date"] == "2027-03-05" }["items"].first }
      item = first[shown]
      mark(path, item)
      TestApp.work_on_jobs
      shown
      mark(path, item)
      expect(look).to match(
        [
          a_value <= 8,
          %w[
            planning/planned_item.rb
            progress/events.rb
            studio/sheet_day.rb
            studio/sheet_item.rb
            studio/tapped.rb
          ]
        ]
      )
      expect(first[shown]["done"]).to eq(2)
      mark(path, item, day: "2027-03-04")
      expect(look.last.grep(/sheet\.rb/)).not_to be_empty
    end

    {
      "the studio's caution" => [
        ->(here) { here.ask(:put, "/api/studio/settings", { caution: "Shoes off." }) },
        /Shoes off/
      ],
      "its language" => [
        ->(here) { here.ask(:put, "/api/studio/settings", { locale: "en-US" }) },
        /measure/
      ],
      "what the teacher changed on the page" => [
        ->(here) do
          here.ask(
            :put,
            "/api/pieces/1/script",
            { script: "page 12: 8 4\n", revision: 0, for: "teacher" }
          )
        end,
        /"bars":\[(true|false|,){15}\]/
      ],
      "a day that goes by" => [
        ->(_) { TestApp.now = Time.utc(2027, 3, 4, 12) },
        /"today":"2027-03-04"/
      ],
      "days that were missed, under another title" => [
        ->(here) do
          here.ask(
            :put,
            "/api/pieces/1/script",
            { script: Requests::SCRIPT.sub("Lock Gate", "Low Bridge"), revision: 1 }
          )
          TestApp.now = Time.utc(2027, 3, 8, 12)
        end,
        /Low Bridge/
      ],
      "a tap" => [
        ->(here) do
          here.mark(here.path, here.shown["days"].first["items"].first, day: "2027-03-03")
        end,
        nil
      ],
      "another name" => [
        ->(here) do
          here.ask(
            :put,
            "/api/students/1",
            Requests::STUDENT.merge(
              name: "Nella",
              version: here.ask(:get, "/api/students/1")["version"]
            )
          )
        end,
        /"student":"Nella"/
      ]
    }.each do |what, (change, said)|
      it "is another one after #{what}" do
        expect(JSON.generate(shown)).not_to match(said) if said
        change.call(self)
        expect(JSON.generate(shown)).to match(said) if said # looked at by Afresh, too
      end
    end

    it "has other versions of what it follows from after each change of it, and the same ones else" do
      versions = -> do
        TestApp
          .contexts
          .of_studio(1)
          .read do |tables|
            Stairwell::Server::Repositories::Records.versions_but_taps(
              tables,
              1,
              Date.new(2027, 3, 3)
            )
          end
      end
      other = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Odo"))["id"]
      changes = {
        title: -> do
          ask(
            :put,
            "/api/pieces/1/script",
            { script: Requests::SCRIPT.sub("Lock Gate", "Low Bridge"), revision: 1 }
          )
        end,
        layer: -> do
          ask(
            :put,
            "/api/pieces/1/script",
            { script: "page 12: 8 4\n", revision: 0, for: "teacher" }
          )
        end,
        layer_again: -> do
          ask(
            :put,
            "/api/pieces/1/script",
            { script: "page 12: 6 6\n", revision: 1, for: "teacher" }
          )
        end,
        own_layer: -> do
          ask(:put, "/api/pieces/1/script", { script: "page 12: 8 4\n", revision: 0, for: "1" })
        end,
        routine: -> { ask(:post, "/api/routines/hand_by_hand/copy", { name: "Our hands" }) },
        routine_again: -> do
          ask(
            :put,
            "/api/routines/#{ask(:get, "/api/routines").last["key"]}",
            { name: "Ours", for_whom: "For us.", stages: [{ key: "right" }], version: 1 }
          )
        end,
        holiday: -> do
          ask(
            :put,
            "/api/studio/settings",
            { holidays: [{ from: "2027-04-01", to: "2027-04-07" }] }
          )
        end,
        late_tap: -> { mark(path, shown["days"].first["items"].first, day: "2027-03-02") },
        # as when rows are put back
        filled_again: -> { TestApp::OWNER[:sheet_links].update(nonce: Sequel[:nonce]) },
        extra_work: -> do
          ask(
            :post,
            "/api/students/1/extra-work",
            { kind: "theory", title: "Page 3", minutes: 2, times: 1 }
          )
        end
      }
      same = {
        tap: -> { mark(path, shown["days"].first["items"].first, day: "2027-03-03") },
        another_student: -> { ask(:post, "/api/students/#{other}/link", {}) },
        look: -> { shown },
        another_piece: -> { ask(:post, "/api/pieces", { script: Requests::SCRIPT }) }
      }
      moved =
        { **changes, **same }.select do |_, change|
          before = versions.call
          change.call
          expect(status).to be < 300
          versions.call != before
        end
      expect(moved.keys).to eq(changes.keys)
    end

    it "is not shown when its link is withdrawn" do
      shown
      ask(:delete, "/api/students/1/link", {})
      shown
      expect(status).to eq(404)
    end
  end
end
