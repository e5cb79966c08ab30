# frozen_string_literal: true

# Called by bin/backup and bin/restore.

$LOAD_PATH.unshift(File.expand_path("../..", __dir__))
require "json"
require "open3"
require "sequel"
require "tmpdir"
require "zip"
require "db/prepare"

# All that a server holds, as one file and back: what PostgreSQL's own tools dump, beside the secret
# from which the passwords of its roles, sessions and private links are made.
class Backup
  DUMP, SECRET, ABOUT = "database.dump", "secret", "about.json"
  FORMAT = "stairwell-backup-1"

  # @param settings [Stairwell::Server::Settings]
  # @param programs [String] folder of PostgreSQL's programs
  def initialize(settings, programs)
    @settings = settings
    @programs = programs
  end

  # Writes the file whole, or not at all.
  # @param file [String]
  def keep(file)
    Dir.mktmpdir do |folder|
      dump = File.join(folder, DUMP)
      about = {
        format: FORMAT,
        made_at: Time.now.utc.iso8601,
        migration: newest_migration,
        rows: dumped(dump)
      }
      check(dump, about[:rows])
      write(
        "#{file}.part",
        DUMP => File.binread(dump),
        SECRET => ENV.fetch("STAIRWELL_SECRET"),
        ABOUT => JSON.pretty_generate(about)
      )
      File.rename("#{file}.part", file)
      puts "#{file} holds #{about[:rows].values.sum} rows of #{about[:rows].size} tables, read back and counted."
    end
  ensure
    FileUtils.rm_f("#{file}.part")
  end

  # All of it or nothing: one transaction.
  # @param file [String]
  # @param replace [Boolean] whether studios that are there give way
  # @param secret_file [String] where this server's own secret lies
  def bring_back(file, replace:, secret_file:)
    kept = read(file)
    about = JSON.parse(kept.fetch(ABOUT))
    if about["migration"] > newest_known
      refuse(
        "#{file} was made by a newer version of Stairwell. Bring this one up to date, then restore."
      )
    end
    if studios? && !replace
      refuse(
        "There are studios on this server. Give --replace to put those of the backup in their place."
      )
    end
    # By their numbers, which mean others on another server: it is known by its secret.
    gone = (kept.fetch(SECRET) == ENV.fetch("STAIRWELL_SECRET")) ? erased : []
    Dir.mktmpdir do |folder|
      script = File.join(folder, "all.sql")
      File.binwrite(dump = File.join(folder, DUMP), kept.fetch(DUMP))
      run("pg_restore", "--no-owner", "-f", script, dump)
      fresh = File.join(folder, "fresh.sql")
      File.write(
        fresh,
        "DROP SCHEMA public CASCADE; CREATE SCHEMA public; GRANT USAGE ON SCHEMA public TO PUBLIC;"
      )
      again = File.join(folder, "again.sql")
      File.write(again, Stairwell::EraseAgain.note(gone))
      run(
        "psql",
        "-X",
        "-q",
        "--single-transaction",
        "-v",
        "ON_ERROR_STOP=1",
        "-d",
        @settings.owner_url,
        *[fresh, script, again].flat_map { |one| ["-f", one] },
        "-o",
        File::NULL
      )
    end
    take_secret(kept.fetch(SECRET), secret_file)
    # Brought up to date, and without whom it should not know any more.
    Stairwell::Prepare.call(Stairwell::Server::Settings.from_env)
    puts "#{file} of #{about["made_at"]} is back: #{about["rows"].values.sum} rows. Start Stairwell again."
  end

  private

  # @return [Array<Array(Integer, Integer)>] studio and student, whoever was erased here
  def erased
    owner do |db|
      if db.table_exists?(:erasures)
        within_walls(db) { db[:erasures].select_map(%i[studio_id student_id]) }
      else
        []
      end
    end
  end

  def owner(&block) = Sequel.connect(@settings.owner_url, &block)

  # @return [Hash{String => Integer}] rows by table, as they are in the dump
  def dumped(file)
    owner do |db|
      within_walls(db) do
        db.transaction(isolation: :repeatable) do
          snapshot = db.get(Sequel.function(:pg_export_snapshot))
          run("pg_dump", "-Fc", "--snapshot=#{snapshot}", "-f", file, @settings.owner_url)
          tables(db).to_h { |name| [name, db[name.to_sym].count] }
        end
      end
    end
  end

  def tables(db) =
    db
      .from(:pg_tables)
      .where(schemaname: "public")
      .exclude(tablename: unlogged(db))
      .order(:tablename)
      .select_map(:tablename)

  # What need not outlive the machine's power is not kept.
  def unlogged(db) = db.from(:pg_class).where(relpersistence: "u", relkind: "r").select(:relname)

  # The walls between studios hide them from an owner who is no superuser: they are open to the
  # owner alone while it is read. Prepare closes what a fall leaves open.
  def within_walls(db)
    if db
         .from(:pg_roles)
         .where(rolname: Sequel.lit("current_user"))
         .where { Sequel.|(:rolsuper, :rolbypassrls) }
         .any?
      return yield
    end

    begin
      open_walls(db)
      yield
    ensure
      Stairwell::Prepare.close(db)
    end
  end

  def open_walls(db)
    names = db.from(:pg_class).where(relrowsecurity: true, relkind: "r").select_map(:relname)
    db.transaction do
      names.each do |name|
        db.run("ALTER TABLE #{db.literal(Sequel.identifier(name))} NO FORCE ROW LEVEL SECURITY")
      end
    end
  end

  # Reads the dump as a restore would, and counts.
  def check(dump, rows)
    out = run("pg_restore", "--data-only", "-f", "-", dump)
    found = Hash.new(0)
    table = nil
    out.each_line do |line|
      if table.nil?
        table = line[/\ACOPY public\.(\S+) /, 1]&.delete('"')
      elsif line == "\\.\n"
        table = nil
      else
        found[table] += 1
      end
    end
    wrong = rows.reject { |name, count| found[name] == count }
    if wrong.any?
      refuse(
        "What was written does not read back as it is in the database (#{wrong.keys.join(", ")}). Look whether the disk is full, then try again."
      )
    end
  end

  def write(path, files)
    Zip::File.open(path, create: true) do |zip|
      files.each { |name, bytes| zip.get_output_stream(name) { |out| out.write(bytes) } }
    end
    File.chmod(0o600, path)
  end

  def read(file)
    Zip::File.open(file) { |zip| [DUMP, SECRET, ABOUT].to_h { |name| [name, zip.read(name)] } }
  rescue Zip::Error, Errno::ENOENT
    refuse(
      "#{file} is no backup, or is damaged: it is a file that bin/backup wrote. Take another one."
    )
  end

  # Only where it is this server's own: one that is given from outside is given again.
  def take_secret(secret, file)
    if ENV["STAIRWELL_SECRET"] == secret || !File.exist?(file) ||
         File.read(file).strip != ENV["STAIRWELL_SECRET"]
      return
    end

    File.write(file, "#{secret}\n", perm: 0o600)
    ENV["STAIRWELL_SECRET"] = secret
  end

  def newest_migration =
    owner { |db| db.table_exists?(:schema_info) ? db[:schema_info].get(:version) : 0 }

  def newest_known =
    Dir[File.join(Stairwell::Prepare::MIGRATIONS, "*.rb")]
      .map { |path| File.basename(path).to_i }
      .max

  def studios? = owner { |db| db.table_exists?(:studios) && Stairwell::Prepare.studios(db).any? }

  def run(program, *given)
    out, err, status = Open3.capture3(File.join(@programs, program), *given)
    unless status.success?
      refuse("#{program}: #{err.lines.grep(/error|fatal/i).first || err}".strip)
    end
    out
  end

  def refuse(words) = abort(words)
end

if $PROGRAM_NAME == __FILE__
  what, file, programs, *more = ARGV
  settings = Stairwell::Server::Settings.from_env
  backup = Backup.new(settings, programs)
  if what == "keep"
    backup.keep(file)
  else
    # The roles that the backup names.
    Stairwell::Prepare.call(settings)
    backup.bring_back(file, replace: more.first == "--replace", secret_file: more.last)
  end
end
