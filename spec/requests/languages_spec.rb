# frozen_string_literal: true

require_relative "../spec_helper"
require "pdf/reader"

# Who is spoken to in which language, and where its texts are. Tags are those of BCP 47,
# choosing among them follows RFC 9110 (Accept-Language).
RSpec.describe "Languages" do
  include Requests

  let!(:studio) { TestApp.studio }
  let(:student) do
    sign_in
    student_with_piece
  end
  let(:sheet) { student["sheet_path"].sub("/s/", "/api/sheet/") }

  def get(path, **headers)
    headers.each { |name, value| header(name.to_s.tr("_", "-"), value) }
    custom_request("GET", path)
    last_response
  end

  def speak(locale) = ask(:put, "/api/studio/settings", { locale: locale })

  def printed(path) =
    PDF::Reader.new(StringIO.new(get(path).body)).pages.map(&:text).join(" ").gsub(/\s+/, " ")

  describe "before anyone has signed in" do
    {
      nil => "en",
      "" => "en",
      "en-GB" => "en-GB",
      "en-US,en;q=0.9" => "en-US",
      "en-AU" => "en",
      "de, en-GB;q=0.7, en-US;q=0.8" => "en-US",
      "xx" => "en",
      "*" => "en",
      "en-GB;q=0, en-US;q=0.1" => "en-US",
      "en-GB;q=0" => "en",
      "../../etc/passwd" => "en",
      "en-US;q=abc" => "en-US",
      ("x-" * 5_000) => "en"
    }.each do |asked, spoken|
      it "is #{spoken} where the browser asks for #{asked.inspect[0, 40]}" do
        expect(get("/", "Accept-Language" => asked).body).to include(%(<html lang="#{spoken}">))
        expect(ask(:get, "/api/session")["locale"]).to eq(spoken)
      end
    end
  end

  describe "the texts of the screens" do
    def addresses = JSON.parse(CGI.unescapeHTML(get("/").body[/name="texts" content="([^"]*)"/, 1]))

    it "lie at an address that changes with them, and are kept for ever" do
      expect(addresses.keys).to contain_exactly("en", "en-GB", "en-US")
      addresses.each_value do |address|
        answer = get(address)
        expect(
          [answer.status, answer.headers["content-type"], answer.headers["cache-control"]]
        ).to eq([200, "application/json", "public, max-age=31536000, immutable"])
      end
    end

    it "are whole in each language, also where it says the same as English" do
      keys = ->(node, path = []) do
        node.is_a?(Hash) ? node.flat_map { |key, one| keys.call(one, [*path, key]) } : [path]
      end
      all = addresses.transform_values { |address| JSON.parse(get(address).body) }
      expect(all.values.map { |texts| keys.call(texts).sort }.uniq.size).to eq(1)
      expect(
        all.map { |tag, texts| [tag, texts.dig("piece", "walk", "one_bar_on")] }
      ).to contain_exactly(
        ["en", "One bar on"],
        ["en-GB", "One bar on"],
        ["en-US", "One measure on"]
      )
    end

    it "are nowhere else" do
      %w[
        /texts/en-0000000000000000.json
        /texts/xx-0000000000000000.json
        /texts/../../server/settings.rb
        /texts/
        /texts/en.json
      ].each { |path| expect(get(path).status).to eq(404), path }
    end
  end

  it "can be chosen by the studio, of those there are" do
    sign_in
    expect(ask(:get, "/api/session")).to include(
      "locale" => "en",
      "studio" => include("locale" => "en"),
      "languages" => [
        { "tag" => "en", "name" => "English: bar, quarter note" },
        { "tag" => "en-GB", "name" => "English: bar, crotchet" },
        { "tag" => "en-US", "name" => "English: measure, quarter note" }
      ]
    )
    expect(speak("en-GB")).to include("locale" => "en-GB")
    expect(ask(:get, "/api/session")).to include(
      "locale" => "en-GB",
      "studio" => include("locale" => "en-GB")
    )
    refused = speak("de")
    expect([status, refused["code"], refused["field"]]).to eq([422, "locale", "locale"])
    expect(ask(:get, "/api/studio/settings")["locale"]).to eq("en-GB")
    ["EN", "en_US", "en\n", "../en", 7, nil].each do |nonsense|
      speak(nonsense)
      expect(status).to eq(400).or(eq(422)), nonsense.inspect
    end
  end

  it "of the studio is spoken in what is refused, whatever the browser asks for" do
    sign_in
    speak("en-US")
    ask(:post, "/api/pieces", { script: "nothing" }, Accept_Language: "en-GB")
    expect(
      ask(:post, "/api/pieces/draft", { script: "nothing" })["detail"].to_s +
        ask(:post, "/api/pieces", { script: "nothing" })["detail"]
    ).to include("how many measures there are")
  end

  it "is spoken from now on, also of what was planned and kept before" do
    id = student["id"]
    before = ask(:get, "/api/students/#{id}")
    places = ->(shown) do
      shown["week"]["days"].flat_map { |day| day["items"].filter_map { |item| item["place"] } }
    end
    expect(places.call(before)).to include(match(/\bbars?\b/))
    TestApp.work_on_jobs
    speak("en-US")
    after = ask(:get, "/api/students/#{id}")
    expect(places.call(after)).to eq(
      places.call(before).map { |place| place.gsub(/\bbar(s?)\b/, 'measure\1') }
    )
    expect(after["pieces"].first["steps"].map { |step| step["place"] }).to include(
      match(/measure/)
    ).and(all(satisfy { |place| !place.match?(/\bbars?\b/) }))
    kept = TestApp::OWNER[:week_plans].select_map(:plan).join
    expect(kept).to include(%("say": "practice.wording.all_bars")).and(
      satisfy { |text| !text.include?("all 4 bars") }
    )
    speak("en")
    expect(ask(:get, "/api/students/#{id}")).to eq(before)
  end

  it "of a student is spoken on the sheet, its print, in the recap and the mail, and nowhere else" do
    id = student["id"]
    version = ask(:get, "/api/students/#{id}")["version"]
    ask(
      :put,
      "/api/students/#{id}",
      Requests::STUDENT.merge(locale: "en-US", email: "home@quay.example", version: version)
    )
    shown = ask(:get, sheet)
    expect(shown["locale"]).to eq("en-US")
    expect(shown["days"].flat_map { |day| day["items"].map { |item| item["place"] } }).to include(
      match(/measure/)
    ).and(all(satisfy { |place| !place.match?(/\bbars?\b/) }))
    expect([printed("/api/students/#{id}/week.pdf"), printed("#{sheet}/week.pdf")]).to all(
      include("Wednesday, March 10", "measure 4")
    )
    TestApp.now = Time.utc(2027, 3, 10, 16)
    sign_in
    lesson = ask(:get, "/api/students/#{id}/lesson")
    expect(lesson["recap"]).to include("See you on Wednesday, March 17.")
    expect(
      lesson["next_week"]["days"].flat_map do |day|
        day["items"].filter_map { |item| item["place"] }
      end
    ).to include(match(/\bbars?\b/))
    ask(:post, "/api/students/#{id}/lesson/finish", { send: true })
    letter = ask(:get, "/api/outbox").first
    expect([letter["subject"], letter["body"]]).to match(
      ["Nell's week from March 10", include("Wednesday, March 17")]
    )
  end

  it "prints several students at once, each in their own" do
    sign_in
    first = student["id"]
    piece = TestApp::OWNER[:pieces].get(:id)
    second =
      ask(:post, "/api/students", Requests::STUDENT.merge(name: "Abel", locale: "en-US"))["id"]
    ask(
      :post,
      "/api/students/#{second}/pieces",
      { piece_id: piece, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    )
    pages =
      PDF::Reader
        .new(StringIO.new(get("/api/weeks.pdf?students=#{first},#{second}").body))
        .pages
        .map { |page| page.text.gsub(/\s+/, " ") }
    expect(pages).to match(
      [include("bar 4", "Thursday, 4 March"), include("measure 4", "Thursday, March 4")]
    )
  end

  it "of one request is not that of the next" do
    sign_in
    speak("en-US")
    ask(:get, sheet)
    expect(Stairwell::Locales.current).to eq(:en)
    ask(:post, "/api/logout", {})
    clear_cookies
    expect(ask(:get, "/api/students/1")["detail"]).to eq("Sign in first.")
    expect(Stairwell::Locales.current).to eq(:en)
  end
end
