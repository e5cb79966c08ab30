# frozen_string_literal: true

# The app's role comes into a studio only through a door: a function that looks at what somebody
# shows, a session of a person who belongs there or a private link into it. What the door gives is a
# pass that the rules of the tables read, signed with a key the app can't read and good for this
# transaction of this connection alone. Passwords, addresses and sessions change by functions that
# ask for what only the person knows. Whoever breaks into the web server so has what people show it
# meanwhile, and nothing else.
Sequel.migration do
  setting = "nullif(current_setting('stairwell.studio', true), '')::bigint"

  up do
    run <<~SQL
      -- Keys of signatures, prepared for HMAC (RFC 2104). Those of links are put in at each start,
      -- since they are derived from the server's secret.
      CREATE TABLE door_keys (
        kind text PRIMARY KEY CHECK (kind IN ('pass', 'sheet', 'calendar', 'invitation')),
        inner_key bytea NOT NULL CHECK (octet_length(inner_key) = 64),
        outer_key bytea NOT NULL CHECK (octet_length(outer_key) = 64)
      );
      -- Random on both sides: nobody else makes or reads this signature.
      INSERT INTO door_keys SELECT 'pass', sha256(a) || sha256(b), sha256(c) || sha256(d)
        FROM (SELECT uuid_send(gen_random_uuid()) AS a, uuid_send(gen_random_uuid()) AS b,
                     uuid_send(gen_random_uuid()) AS c, uuid_send(gen_random_uuid()) AS d)
          AS random;

      CREATE FUNCTION door_signature(of_kind text, signed text) RETURNS text
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
        SELECT
          encode(sha256(outer_key || sha256(inner_key || convert_to(signed, 'UTF8'))), 'hex')
        FROM door_keys WHERE kind = of_kind
      $$;

      -- @return what a pass for a number looks like in this transaction
      CREATE FUNCTION door_pass(of text, number bigint) RETURNS text
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
        SELECT number || '.' || door_signature('pass', concat_ws('.', of, number, pg_backend_pid(),
          extract(epoch FROM transaction_timestamp())))
      $$;

      CREATE FUNCTION door_passed(of text) RETURNS bigint
        LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        pass text := current_setting('stairwell.' || of, true);
        number bigint;
      BEGIN
        IF coalesce(pass, '') !~ '^[0-9]{1,18}\\.[0-9a-f]{64}$' THEN
          RETURN NULL;
        END IF;
        number := split_part(pass, '.', 1)::bigint;
        IF pass = door_pass(of, number) THEN
          RETURN number;
        END IF;
        RETURN NULL;
      END $$;

      -- Which studio this transaction is in, and which person's studios it sees.
      CREATE FUNCTION entered_studio() RETURNS bigint
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
        $$ SELECT door_passed('studio') $$;
      CREATE FUNCTION entered_person() RETURNS bigint
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
        $$ SELECT door_passed('person') $$;

      CREATE FUNCTION open_studio(studio bigint) RETURNS void
        LANGUAGE sql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS
        $$ SELECT set_config('stairwell.studio', door_pass('studio', studio), true) $$;
      CREATE FUNCTION open_person(account bigint) RETURNS void
        LANGUAGE sql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS
        $$ SELECT set_config('stairwell.person', door_pass('person', account), true) $$;

      -- A session is kept by its print alone: who shows what that was made from is who signed in.
      CREATE FUNCTION print_of(shown text) RETURNS text LANGUAGE sql IMMUTABLE STRICT AS
        $$ SELECT encode(sha256(convert_to(shown, 'UTF8')), 'hex') $$;
      UPDATE account_active_session_keys SET session_id = print_of(session_id);
      CREATE UNIQUE INDEX account_active_session_keys_print
        ON account_active_session_keys (session_id);

      -- @return whose session it is; null where it is none
      CREATE FUNCTION enter_as(shown text) RETURNS bigint
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        account bigint;
      BEGIN
        SELECT account_id INTO account FROM account_active_session_keys
          JOIN accounts ON accounts.id = account_id AND status_id = 2
          WHERE session_id = print_of(shown);
        IF account IS NOT NULL THEN
          PERFORM open_person(account);
        END IF;
        RETURN account;
      END $$;

      -- @return whether the session's person belongs to the studio
      CREATE FUNCTION enter_studio(shown text, studio bigint) RETURNS boolean
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        account bigint := enter_as(shown);
      BEGIN
        PERFORM FROM memberships
          WHERE studio_id = studio AND account_id = account AND left_at IS NULL;
        IF NOT FOUND THEN
          RETURN false;
        END IF;
        PERFORM open_studio(studio);
        RETURN true;
      END $$;

      CREATE FUNCTION base_36(digits text) RETURNS bigint LANGUAGE sql IMMUTABLE STRICT AS $$
        SELECT sum(
          (strpos('0123456789abcdefghijklmnopqrstuvwxyz', digit) - 1)
            * 36::numeric ^ (length(digits) - place)
        )::bigint
        FROM string_to_table(digits, NULL) WITH ORDINALITY AS digits_of (digit, place)
      $$;
      CREATE FUNCTION base_36(number bigint) RETURNS text LANGUAGE plpgsql IMMUTABLE STRICT AS $$
      DECLARE
        digits text := '';
      BEGIN
        LOOP
          digits := substr(
            '0123456789abcdefghijklmnopqrstuvwxyz', (number % 36)::integer + 1, 1
          ) || digits;
          number := number / 36;
          EXIT WHEN number = 0;
        END LOOP;
        RETURN digits;
      END $$;

      -- A private link into the studio one is in: studio and row, both in base 36, and the
      -- signature over them and the row's nonce.
      CREATE FUNCTION link_token(of_kind text, row_id bigint, nonce text) RETURNS text
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
        SELECT claimed || '.' || left(door_signature(of_kind, claimed || '.' || nonce), 32)
        FROM (SELECT base_36(entered_studio()) || '.' || base_36(row_id) AS claimed) AS link
        WHERE of_kind <> 'pass'
      $$;

      -- @return the number of the link's row; null, and no studio entered, for a link that is over,
      --   forged or garbled
      CREATE FUNCTION enter_by_link(of_kind text, token text) RETURNS bigint
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        claimed bigint;
        known text;
      BEGIN
        IF token !~ '^[0-9a-z]{1,11}\\.[0-9a-z]{1,11}\\.[0-9a-f]{32}$' THEN
          RETURN NULL;
        END IF;
        PERFORM open_studio(base_36(split_part(token, '.', 1)));
        claimed := base_36(split_part(token, '.', 2));
        IF of_kind = 'sheet' THEN
          SELECT nonce INTO known FROM sheet_links
            WHERE studio_id = entered_studio() AND id = claimed AND withdrawn_at IS NULL;
        ELSIF of_kind = 'calendar' THEN
          SELECT nonce INTO known FROM calendar_links
            WHERE studio_id = entered_studio() AND id = claimed AND withdrawn_at IS NULL;
        ELSIF of_kind = 'invitation' THEN
          SELECT nonce INTO known FROM invitations
            WHERE studio_id = entered_studio() AND id = claimed AND withdrawn_at IS NULL
              AND used_at IS NULL AND ends_at > now();
        END IF;
        IF known IS NOT NULL AND token = link_token(of_kind, claimed, known) THEN
          RETURN claimed;
        END IF;
        PERFORM set_config('stairwell.studio', '', true);
        RETURN NULL;
      END $$;

      -- Makes a studio and its first member, and enters it.
      CREATE FUNCTION found_studio(called text, zone text, speaks text, owner bigint) RETURNS bigint
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        studio bigint := nextval(pg_get_serial_sequence('studios', 'id'));
      BEGIN
        PERFORM open_studio(studio);
        INSERT INTO studios (id, name, time_zone) OVERRIDING SYSTEM VALUE
          VALUES (studio, called, zone);
        IF speaks IS NOT NULL THEN
          UPDATE studios SET locale = speaks WHERE id = studio;
        END IF;
        INSERT INTO memberships (studio_id, account_id, role) VALUES (studio, owner, 'owner');
        RETURN studio;
      END $$;

      -- For jobs, which nobody asks for with a session.
      CREATE FUNCTION enter_any_studio(studio bigint) RETURNS boolean
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        PERFORM open_studio(studio);
        RETURN EXISTS (SELECT FROM studios WHERE id = studio);
      END $$;
      CREATE FUNCTION enter_as_anyone(account bigint) RETURNS bigint
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        PERFORM open_person(account);
        RETURN account;
      END $$;

      -- Accounts. A new password, a session and a new address take the hash of the present
      -- password, or the key of a mailed link.
      CREATE FUNCTION add_account(address text, called text, hash text) RETURNS bigint
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        account bigint;
      BEGIN
        INSERT INTO accounts (email, name) VALUES (lower(address), called)
          RETURNING id INTO account;
        INSERT INTO account_password_hashes VALUES (account, hash);
        RETURN account;
      END $$;
      CREATE FUNCTION begin_session(account bigint, hash text, print text) RETURNS boolean
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        IF rodauth_valid_password_hash(account, hash) THEN
          INSERT INTO account_active_session_keys (account_id, session_id) VALUES (account, print);
          RETURN true;
        END IF;
        RETURN false;
      END $$;
      CREATE FUNCTION change_password(account bigint, hash text, new_hash text) RETURNS boolean
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        UPDATE account_password_hashes SET password_hash = new_hash
          WHERE id = account AND password_hash = hash;
        RETURN FOUND;
      END $$;
      CREATE FUNCTION reset_key_fits(account bigint, shown text) RETURNS boolean
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
        SELECT EXISTS (SELECT FROM account_password_reset_keys
          WHERE id = account AND key = print_of(shown) AND deadline > now())
      $$;
      CREATE FUNCTION reset_password(account bigint, shown text, new_hash text) RETURNS boolean
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        DELETE FROM account_password_reset_keys
          WHERE id = account AND key = print_of(shown) AND deadline > now();
        IF NOT FOUND THEN
          RETURN false;
        END IF;
        INSERT INTO account_password_hashes VALUES (account, new_hash)
          ON CONFLICT (id) DO UPDATE SET password_hash = excluded.password_hash;
        RETURN true;
      END $$;
      -- The link itself is made, and mailed, by a job.
      CREATE FUNCTION ask_for_address(account bigint, hash text, address text) RETURNS boolean
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        IF NOT rodauth_valid_password_hash(account, hash) THEN
          RETURN false;
        END IF;
        INSERT INTO account_login_change_keys (id, key, login) VALUES (account, '', address)
          ON CONFLICT (id) DO UPDATE
          SET key = '', login = excluded.login, deadline = now() + interval '1 day';
        RETURN true;
      END $$;
      CREATE FUNCTION address_key_fits(account bigint, shown text) RETURNS text
        LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
        SELECT login FROM account_login_change_keys
          WHERE id = account AND key = print_of(shown) AND deadline > now()
      $$;
      -- @return false where someone has the address already
      CREATE FUNCTION change_address(account bigint, shown text) RETURNS boolean
        LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        UPDATE accounts SET email = address_key_fits(account, shown)
          WHERE id = account AND address_key_fits(account, shown) IS NOT NULL;
        IF NOT FOUND THEN
          RETURN false;
        END IF;
        DELETE FROM account_login_change_keys WHERE id = account;
        RETURN true;
      EXCEPTION WHEN unique_violation THEN
        RETURN false;
      END $$;

      -- Links that wait were kept by the key itself; they are asked for again.
      DELETE FROM account_password_reset_keys;
      DELETE FROM account_login_change_keys;
    SQL

    # What read the setting reads the pass.
    from(:pg_proc)
      .where(Sequel.like(:prosrc, "%current_setting('stairwell.studio'%"))
      .where(pronamespace: Sequel.lit("'public'::regnamespace"))
      .select_map(Sequel.function(:pg_get_functiondef, :oid))
      .each { |definition| run definition.gsub(setting, "entered_studio()") }
    from(:pg_policies)
      .where(schemaname: "public")
      .exclude(tablename: %w[memberships studios])
      .select_map(%i[tablename policyname])
      .each { |table, policy| run <<~SQL }
          ALTER POLICY #{policy} ON #{table} USING (studio_id = (SELECT entered_studio()))
            WITH CHECK (studio_id = (SELECT entered_studio()));
        SQL
    run <<~SQL
      ALTER POLICY own_studio ON studios USING (id = (SELECT entered_studio()))
        WITH CHECK (id = (SELECT entered_studio()));
      ALTER POLICY own_studio ON memberships
        USING (studio_id = (SELECT entered_studio()) OR account_id = (SELECT entered_person()))
        WITH CHECK (studio_id = (SELECT entered_studio()));

      REVOKE ALL ON FUNCTION door_signature(text, text), door_pass(text, bigint), door_passed(text),
        open_studio(bigint), open_person(bigint), enter_as(text), enter_studio(text, bigint),
        link_token(text, bigint, text), enter_by_link(text, text),
        found_studio(text, text, text, bigint), enter_any_studio(bigint), enter_as_anyone(bigint),
        add_account(text, text, text), begin_session(bigint, text, text),
        change_password(bigint, text, text), reset_key_fits(bigint, text),
        reset_password(bigint, text, text), ask_for_address(bigint, text, text),
        address_key_fits(bigint, text), change_address(bigint, text) FROM PUBLIC;
      GRANT EXECUTE ON FUNCTION enter_as(text), enter_studio(text, bigint),
        link_token(text, bigint, text), enter_by_link(text, text),
        found_studio(text, text, text, bigint), add_account(text, text, text),
        begin_session(bigint, text, text), change_password(bigint, text, text),
        reset_key_fits(bigint, text), reset_password(bigint, text, text),
        ask_for_address(bigint, text, text), address_key_fits(bigint, text),
        change_address(bigint, text) TO stairwell_app;

      REVOKE INSERT, UPDATE ON accounts FROM stairwell_app;
      REVOKE INSERT, UPDATE ON account_password_hashes FROM stairwell_app;
      REVOKE INSERT, UPDATE ON account_active_session_keys FROM stairwell_app;
      GRANT UPDATE (remembered, last_use) ON account_active_session_keys TO stairwell_app;
      REVOKE ALL ON account_password_reset_keys, account_login_change_keys FROM stairwell_app;
      GRANT SELECT (id), DELETE ON account_password_reset_keys, account_login_change_keys
        TO stairwell_app;
      REVOKE INSERT ON studios FROM stairwell_app;
      REVOKE USAGE ON SEQUENCE studios_id_seq FROM stairwell_app;

      -- Who works on jobs may what the app may, in any studio, and makes the links that are mailed.
      GRANT stairwell_app TO stairwell_keeper;
      GRANT EXECUTE ON FUNCTION enter_any_studio(bigint), enter_as_anyone(bigint)
        TO stairwell_keeper;
      GRANT SELECT, INSERT, UPDATE, DELETE ON account_password_reset_keys, account_login_change_keys
        TO stairwell_keeper;
      GRANT INSERT (email, name) ON accounts TO stairwell_keeper;
      -- Archives are loaded by a job.
      REVOKE EXECUTE ON FUNCTION take_over_studio(jsonb), number_on() FROM stairwell_app;
      GRANT EXECUTE ON FUNCTION take_over_studio(jsonb), number_on() TO stairwell_keeper;
    SQL
  end

  down { raise Sequel::Error, "doors are not taken out again" }
end
