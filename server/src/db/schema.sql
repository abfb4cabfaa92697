-- The one migration. Until 1.0 it is rewritten in place; the hash of this text
-- is kept in the database that it made, and one made by another text is refused
-- (migrate.ts). Everything belongs to a workshop; logs and answers only grow.

-- Workshops and people ------------------------------------------------------

CREATE TABLE workshops (
  id uuid PRIMARY KEY,
  name text NOT NULL,
  time_zone text NOT NULL,
  next_job_number integer NOT NULL DEFAULT 1,
  house_rules jsonb,
  house_rules_version integer NOT NULL DEFAULT 1
);
CREATE TABLE users (
  id uuid PRIMARY KEY,
  workshop_id uuid NOT NULL REFERENCES workshops,
  login text NOT NULL UNIQUE,
  name text NOT NULL,
  role text NOT NULL CHECK (role IN ('technician', 'lead')),
  password_hash text NOT NULL,
  left_at timestamptz,
  left_by text,
  -- Metric where none were chosen.
  units jsonb
);
CREATE INDEX users_workshop ON users (workshop_id, name);
CREATE TABLE sessions (
  sid text PRIMARY KEY,
  sess json NOT NULL,
  expire timestamptz NOT NULL
);
CREATE INDEX sessions_expire ON sessions (expire);
CREATE INDEX sessions_person ON sessions ((sess->>'userId'));
-- By account and address together and without either's name.
CREATE TABLE sign_in_tries (
  id uuid PRIMARY KEY,
  pair text NOT NULL,
  at timestamptz NOT NULL
);
CREATE INDEX sign_in_tries_pair ON sign_in_tries (pair, at);
CREATE INDEX sign_in_tries_at ON sign_in_tries (at);
-- Each known by the hash of its code and used once.
CREATE TABLE invitations (
  id uuid PRIMARY KEY,
  workshop_id uuid NOT NULL REFERENCES workshops,
  name text NOT NULL,
  role text NOT NULL CHECK (role IN ('technician', 'lead')),
  code_hash text NOT NULL UNIQUE,
  made_by text NOT NULL,
  made_at timestamptz NOT NULL,
  until timestamptz NOT NULL,
  ended_at timestamptz
);
CREATE INDEX invitations_workshop ON invitations (workshop_id, made_at);

-- Vehicles and jobs ---------------------------------------------------------

CREATE TABLE vehicles (
  id uuid PRIMARY KEY,
  workshop_id uuid NOT NULL REFERENCES workshops,
  name text NOT NULL,
  tag text NOT NULL,
  layout jsonb NOT NULL,
  drive_state text NOT NULL DEFAULT 'free' CHECK (drive_state IN ('free', 'do not drive', 'test drive only')),
  drive_since timestamptz,
  drive_reason text,
  maker_entry jsonb,
  version integer NOT NULL DEFAULT 1,
  UNIQUE (workshop_id, tag)
);
CREATE INDEX vehicles_list ON vehicles (workshop_id, name, tag, id);
CREATE TABLE jobs (
  id uuid PRIMARY KEY,
  workshop_id uuid NOT NULL REFERENCES workshops,
  vehicle_id uuid NOT NULL REFERENCES vehicles,
  number integer NOT NULL,
  stage text NOT NULL,
  closed boolean NOT NULL DEFAULT false,
  opened_at timestamptz NOT NULL,
  opened_by text NOT NULL,
  closed_at timestamptz,
  fluid jsonb,
  plan_choices jsonb,
  plan_result jsonb,
  plan_accepted jsonb,
  pick jsonb,
  released jsonb,
  ended jsonb,
  -- Those that run, as its log says, for the list of jobs.
  clocks jsonb NOT NULL DEFAULT '[]',
  version integer NOT NULL DEFAULT 1,
  UNIQUE (workshop_id, number)
);
CREATE INDEX jobs_list ON jobs (workshop_id, closed, opened_at DESC, id DESC);
CREATE UNIQUE INDEX jobs_one_open ON jobs (vehicle_id) WHERE NOT closed;
CREATE INDEX jobs_vehicle ON jobs (vehicle_id, opened_at DESC);

-- Logs: of each job, of what arrived after it was closed, of each vehicle ------

CREATE TABLE job_events (
  job_id uuid NOT NULL REFERENCES jobs,
  position integer NOT NULL,
  id uuid NOT NULL,
  workshop_id uuid NOT NULL REFERENCES workshops,
  device_id uuid NOT NULL,
  device_seq integer NOT NULL,
  at timestamptz NOT NULL,
  received_at timestamptz NOT NULL,
  person text NOT NULL,
  event jsonb NOT NULL,
  PRIMARY KEY (job_id, position),
  UNIQUE (job_id, id)
);
CREATE INDEX job_events_close ON job_events (job_id) WHERE event->>'kind' IN ('released', 'ended');
CREATE INDEX job_events_media ON job_events (workshop_id, id) WHERE event->>'kind' = 'media note';
CREATE INDEX job_events_joints ON job_events (job_id) WHERE event->>'kind' = 'joint tightened';
CREATE INDEX job_events_clutch_needs ON job_events (job_id) WHERE event->>'kind' = 'clutch needs';
CREATE INDEX job_events_overridden ON job_events (workshop_id, at) WHERE event->>'kind' = 'overridden';
CREATE TABLE job_additions (LIKE job_events,
  FOREIGN KEY (job_id) REFERENCES jobs,
  FOREIGN KEY (workshop_id) REFERENCES workshops,
  PRIMARY KEY (job_id, position),
  UNIQUE (job_id, id)
);
CREATE INDEX job_additions_media ON job_additions (workshop_id, id) WHERE event->>'kind' = 'media note';
CREATE TABLE vehicle_events (
  vehicle_id uuid NOT NULL REFERENCES vehicles,
  position integer NOT NULL,
  id uuid NOT NULL,
  workshop_id uuid NOT NULL REFERENCES workshops,
  device_id uuid NOT NULL,
  device_seq integer NOT NULL,
  at timestamptz NOT NULL,
  received_at timestamptz NOT NULL,
  person text NOT NULL,
  event jsonb NOT NULL,
  PRIMARY KEY (vehicle_id, position),
  UNIQUE (vehicle_id, id)
);
-- The one order of what was said of a vehicle, in whatever log: given under its
-- lock as it arrives. A job that was moved keeps its places here, and has others
-- at the end of the order of the vehicle that was meant.
CREATE TABLE vehicle_order (
  vehicle_id uuid NOT NULL REFERENCES vehicles,
  position integer NOT NULL,
  job_id uuid REFERENCES jobs,
  event_id uuid NOT NULL,
  received_at timestamptz NOT NULL,
  PRIMARY KEY (vehicle_id, position),
  UNIQUE (vehicle_id, event_id)
);
-- Photos and voice notes, each under the id of the event that tells of it.
CREATE TABLE media (
  workshop_id uuid NOT NULL REFERENCES workshops,
  id uuid NOT NULL,
  job_id uuid NOT NULL REFERENCES jobs,
  medium text NOT NULL CHECK (medium IN ('photo', 'voice')),
  content_type text NOT NULL,
  content bytea NOT NULL CHECK (octet_length(content) BETWEEN 1 AND 5242880),
  sent_sha256 text NOT NULL,
  person text NOT NULL,
  received_at timestamptz NOT NULL,
  PRIMARY KEY (workshop_id, id)
);
-- Packed already: a second time costs and gains nothing.
ALTER TABLE media ALTER COLUMN content SET STORAGE EXTERNAL;
CREATE INDEX media_job ON media (job_id);
CREATE TABLE job_devices (
  job_id uuid NOT NULL REFERENCES jobs,
  device_id uuid NOT NULL,
  workshop_id uuid NOT NULL REFERENCES workshops,
  person text NOT NULL,
  lowest_waiting integer NOT NULL,
  highest_seq integer NOT NULL,
  seen_at timestamptz NOT NULL,
  holds integer,
  PRIMARY KEY (job_id, device_id)
);
-- Helpers' phones, each linked to one run, known by the hashes of a code and of
-- what a joined phone got for it.
CREATE TABLE helper_links (
  id uuid PRIMARY KEY,
  workshop_id uuid NOT NULL REFERENCES workshops,
  job_id uuid NOT NULL REFERENCES jobs,
  code_hash text NOT NULL UNIQUE,
  token_hash text UNIQUE,
  name text,
  made_at timestamptz NOT NULL,
  ended_at timestamptz,
  phase text NOT NULL DEFAULT 'ready',
  opening_id text,
  helper_seen_at timestamptz,
  wrench_seen_at timestamptz NOT NULL
);
CREATE UNIQUE INDEX helper_links_open ON helper_links (job_id) WHERE ended_at IS NULL;

-- Lines that stand open to phones, in every server process: by account, or by the
-- link of a helper's phone. One that says nothing any more is none.
CREATE TABLE live_lines (
  id uuid PRIMARY KEY,
  workshop_id uuid NOT NULL REFERENCES workshops,
  person uuid NOT NULL,
  seen_at timestamptz NOT NULL
);
CREATE INDEX live_lines_workshop ON live_lines (workshop_id, person);

-- What jobs say and leave -----------------------------------------------------

CREATE TABLE open_item_entries (
  vehicle_id uuid NOT NULL REFERENCES vehicles,
  position integer NOT NULL,
  workshop_id uuid NOT NULL REFERENCES workshops,
  open_item_id text NOT NULL,
  entry text NOT NULL CHECK (entry IN ('opened', 'settled')),
  weight text NOT NULL CHECK (weight IN ('holds', 'owed')),
  open_item jsonb NOT NULL,
  settled_by text CHECK ((entry = 'settled') = (settled_by IS NOT NULL)),
  at timestamptz NOT NULL,
  person text NOT NULL,
  PRIMARY KEY (vehicle_id, position)
);
CREATE VIEW open_items AS
  SELECT * FROM (
    SELECT DISTINCT ON (vehicle_id, open_item_id) * FROM open_item_entries
     ORDER BY vehicle_id, open_item_id, position DESC
  ) last WHERE entry = 'opened';
CREATE TABLE gate_answers (
  job_id uuid NOT NULL REFERENCES jobs,
  position integer NOT NULL,
  workshop_id uuid NOT NULL REFERENCES workshops,
  -- The last place of its vehicle's order when it was asked.
  vehicle_position integer NOT NULL,
  answer jsonb NOT NULL,
  at timestamptz NOT NULL,
  person text NOT NULL,
  PRIMARY KEY (job_id, position)
);
-- What each job left inside its vehicle when it was closed: where the next one begins.
CREATE TABLE job_inside (
  job_id uuid PRIMARY KEY REFERENCES jobs,
  vehicle_id uuid NOT NULL REFERENCES vehicles,
  number integer NOT NULL,
  inside jsonb NOT NULL
);
CREATE INDEX job_inside_vehicle ON job_inside (vehicle_id, number);
-- What closed runs took, opening by opening, against what was planned.
CREATE TABLE run_paces (
  job_id uuid NOT NULL REFERENCES jobs,
  n integer NOT NULL,
  workshop_id uuid NOT NULL REFERENCES workshops,
  vehicle_id uuid NOT NULL REFERENCES vehicles,
  at timestamptz NOT NULL,
  method text NOT NULL,
  seconds_per_stroke double precision,
  minutes_between double precision,
  pace jsonb NOT NULL,
  PRIMARY KEY (job_id, n)
);
CREATE INDEX run_paces_vehicle ON run_paces (vehicle_id, at, job_id, n);
CREATE INDEX run_paces_workshop ON run_paces (workshop_id, method);
-- How each control was when its job was closed, with what was measured at it.
CREATE TABLE control_results (
  job_id uuid NOT NULL REFERENCES jobs,
  master_id text NOT NULL,
  vehicle_id uuid NOT NULL REFERENCES vehicles,
  at timestamptz NOT NULL,
  released boolean NOT NULL,
  found jsonb NOT NULL,
  PRIMARY KEY (job_id, master_id)
);
CREATE INDEX control_results_vehicle ON control_results (vehicle_id, at, job_id, master_id);
-- Air behind each control that a closed job measured, against the first measure of it that a job released.
CREATE TABLE control_air (
  job_id uuid NOT NULL REFERENCES jobs,
  master_id text NOT NULL,
  workshop_id uuid NOT NULL REFERENCES workshops,
  vehicle_id uuid NOT NULL REFERENCES vehicles,
  control text NOT NULL,
  at timestamptz NOT NULL,
  first boolean NOT NULL,
  ml double precision NOT NULL,
  sd_ml double precision NOT NULL CHECK (sd_ml > 0),
  PRIMARY KEY (job_id, master_id)
);
CREATE INDEX control_air_workshop ON control_air (workshop_id, vehicle_id, master_id, at);
CREATE INDEX control_air_vehicle ON control_air (vehicle_id, master_id) WHERE first;

-- The shelf and the drum ------------------------------------------------------

CREATE TABLE containers (
  id uuid PRIMARY KEY,
  workshop_id uuid NOT NULL REFERENCES workshops,
  grade text NOT NULL,
  iso_class text,
  batch text NOT NULL,
  size_ml integer NOT NULL CHECK (size_ml > 0),
  state text NOT NULL DEFAULT 'sealed' CHECK (state IN ('sealed', 'opened', 'discarded')),
  received_at timestamptz NOT NULL,
  travelled_at timestamptz,
  opened_at timestamptz,
  kept_capped boolean NOT NULL DEFAULT true,
  discarded_at timestamptz,
  discarded_ml double precision NOT NULL DEFAULT 0 CHECK (discarded_ml >= 0),
  version integer NOT NULL DEFAULT 1
);
CREATE INDEX containers_shelf ON containers (workshop_id, state);
CREATE INDEX containers_batch ON containers (workshop_id, lower(batch));
CREATE TABLE container_draws (
  job_id uuid NOT NULL REFERENCES jobs,
  container_id uuid NOT NULL REFERENCES containers,
  workshop_id uuid NOT NULL REFERENCES workshops,
  poured_ml double precision NOT NULL CHECK (poured_ml >= 0),
  discarded_ml double precision NOT NULL CHECK (discarded_ml >= 0),
  left_ml double precision NOT NULL CHECK (left_ml >= 0),
  -- What it was found to have held beyond what the shelf knew of: a pour that happened is kept.
  found_ml double precision NOT NULL DEFAULT 0 CHECK (found_ml >= 0),
  PRIMARY KEY (job_id, container_id)
);
CREATE INDEX container_draws_container ON container_draws (container_id);
CREATE TABLE hand_overs (
  id uuid PRIMARY KEY,
  workshop_id uuid NOT NULL REFERENCES workshops,
  at timestamptz NOT NULL,
  by text NOT NULL,
  to_whom text NOT NULL,
  document text NOT NULL,
  waste_ml double precision NOT NULL CHECK (waste_ml > 0)
);
CREATE INDEX hand_overs_list ON hand_overs (workshop_id, at);
CREATE TABLE fluid_moved (
  id uuid PRIMARY KEY,
  workshop_id uuid NOT NULL REFERENCES workshops,
  job_id uuid REFERENCES jobs,
  container_id uuid UNIQUE REFERENCES containers,
  at timestamptz NOT NULL,
  by text NOT NULL,
  bled_ml double precision NOT NULL CHECK (bled_ml >= 0),
  bled_by text NOT NULL CHECK (bled_by IN ('strokes', 'measured')),
  removed_ml double precision NOT NULL CHECK (removed_ml >= 0),
  spilled_ml double precision NOT NULL CHECK (spilled_ml >= 0),
  discarded_ml double precision NOT NULL CHECK (discarded_ml >= 0),
  caught_ml double precision NOT NULL CHECK (caught_ml >= 0 AND caught_ml <= discarded_ml),
  hand_over_id uuid REFERENCES hand_overs,
  CHECK ((job_id IS NULL) <> (container_id IS NULL))
);
CREATE INDEX fluid_moved_drum ON fluid_moved (workshop_id, hand_over_id);
-- What left with the drum stays as it was; what the job moves after that is a row of its own, one until the next hand-over.
CREATE UNIQUE INDEX fluid_moved_in_hand ON fluid_moved (job_id) WHERE hand_over_id IS NULL;
CREATE INDEX fluid_moved_job ON fluid_moved (job_id);

-- What only grows -------------------------------------------------------------
-- Functions that refuse look at the real tables, whatever stands in a temporary schema.

CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  RAISE EXCEPTION 'this record can only be added to';
END $$;
CREATE TRIGGER job_events_append_only BEFORE UPDATE OR DELETE ON job_events
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER job_additions_append_only BEFORE UPDATE OR DELETE ON job_additions
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER vehicle_events_append_only BEFORE UPDATE OR DELETE ON vehicle_events
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER vehicle_order_append_only BEFORE UPDATE OR DELETE ON vehicle_order
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER media_append_only BEFORE UPDATE OR DELETE ON media
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER open_item_entries_append_only BEFORE UPDATE OR DELETE ON open_item_entries
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER gate_answers_append_only BEFORE UPDATE OR DELETE ON gate_answers
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER job_inside_append_only BEFORE UPDATE OR DELETE ON job_inside
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER run_paces_append_only BEFORE UPDATE OR DELETE ON run_paces
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER control_results_append_only BEFORE UPDATE OR DELETE ON control_results
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER control_air_append_only BEFORE UPDATE OR DELETE ON control_air
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER hand_overs_append_only BEFORE UPDATE OR DELETE ON hand_overs
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER jobs_released_read_only BEFORE UPDATE OR DELETE ON jobs
  FOR EACH ROW WHEN (OLD.closed) EXECUTE FUNCTION refuse_change();

-- A closed log stays closed, asked once a batch and not once a row. What stood
-- before the batch closes it whole; what closes within the batch, behind itself.
CREATE FUNCTION refuse_after_close() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  IF EXISTS (
    SELECT 1 FROM added JOIN job_events closing USING (job_id)
     WHERE closing.event->>'kind' IN ('released', 'ended')
       AND (closing.position < added.position
            OR NOT EXISTS (SELECT 1 FROM added own WHERE own.job_id = closing.job_id AND own.position = closing.position))
  ) THEN
    RAISE EXCEPTION 'the log of a closed job can only be added to beside it';
  END IF;
  RETURN NULL;
END $$;
CREATE TRIGGER job_events_closed AFTER INSERT ON job_events
  REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION refuse_after_close();

CREATE FUNCTION refuse_fluid_of_closed() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM jobs WHERE closed AND id IN (NEW.job_id, OLD.job_id)) THEN
    RAISE EXCEPTION 'the fluid of a closed job stands as it was recorded';
  END IF;
  RETURN COALESCE(NEW, OLD);
END $$;
CREATE TRIGGER container_draws_closed BEFORE INSERT OR DELETE ON container_draws
  FOR EACH ROW EXECUTE FUNCTION refuse_fluid_of_closed();
-- What a container was found to hold beyond what the shelf knew of may be counted later.
CREATE TRIGGER container_draws_closed_update BEFORE UPDATE ON container_draws
  FOR EACH ROW WHEN (
    (OLD.job_id, OLD.container_id, OLD.poured_ml, OLD.discarded_ml)
      IS DISTINCT FROM (NEW.job_id, NEW.container_id, NEW.poured_ml, NEW.discarded_ml)
  ) EXECUTE FUNCTION refuse_fluid_of_closed();
CREATE TRIGGER fluid_moved_closed BEFORE INSERT OR DELETE ON fluid_moved
  FOR EACH ROW EXECUTE FUNCTION refuse_fluid_of_closed();
CREATE TRIGGER fluid_moved_closed_update BEFORE UPDATE ON fluid_moved
  FOR EACH ROW WHEN (
    (OLD.job_id, OLD.bled_ml, OLD.removed_ml, OLD.spilled_ml, OLD.discarded_ml, OLD.by, OLD.at)
      IS DISTINCT FROM (NEW.job_id, NEW.bled_ml, NEW.removed_ml, NEW.spilled_ml, NEW.discarded_ml, NEW.by, NEW.at)
  ) EXECUTE FUNCTION refuse_fluid_of_closed();

-- A job becomes "released" only beside an answer of the gate for the last place
-- of its vehicle's order, and with nothing open that holds its vehicle, whatever
-- sends the change.
CREATE FUNCTION refuse_release() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  IF NOT EXISTS (
    SELECT 1 FROM gate_answers g WHERE g.job_id = NEW.id
       AND g.position = (SELECT max(position) FROM job_events WHERE job_id = NEW.id AND event->>'kind' <> 'released')
       AND g.vehicle_position = (SELECT max(o.position) FROM vehicle_order o WHERE o.vehicle_id = NEW.vehicle_id
             AND NOT EXISTS (SELECT 1 FROM job_events e WHERE e.job_id = NEW.id AND e.id = o.event_id AND e.event->>'kind' = 'released'))
       AND g.answer->>'verdict' = 'release' AND jsonb_array_length(g.answer->'reasons') = 0
  ) THEN
    RAISE EXCEPTION 'a job is released by the gate, for its vehicle as it stands';
  END IF;
  IF EXISTS (SELECT 1 FROM open_items m WHERE m.vehicle_id = NEW.vehicle_id AND m.weight = 'holds') THEN
    RAISE EXCEPTION 'a job is not released while something holds its vehicle';
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER jobs_release_insert BEFORE INSERT ON jobs
  FOR EACH ROW WHEN (NEW.stage = 'released' OR NEW.released IS NOT NULL) EXECUTE FUNCTION refuse_release();
CREATE TRIGGER jobs_release_update BEFORE UPDATE ON jobs
  FOR EACH ROW WHEN (
    (NEW.stage = 'released' AND OLD.stage <> 'released') OR (NEW.released IS NOT NULL AND OLD.released IS NULL)
  ) EXECUTE FUNCTION refuse_release();

-- What the app changes only by asking -------------------------------------------
-- It may not write these columns itself; the owner's functions take what can be.

-- Somebody comes in by an invitation that is open, with the role that a lead wrote
-- on it; without one only where a workshop is being set up and has no vehicle yet.
CREATE FUNCTION add_person(
  person uuid, workshop uuid, person_login text, person_name text, person_role text, hash text, invitation uuid, now_at timestamptz
) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF invitation IS NULL THEN
    IF EXISTS (SELECT 1 FROM vehicles WHERE workshop_id = workshop) THEN
      RAISE EXCEPTION 'people come into a workshop by an invitation';
    END IF;
  ELSE
    UPDATE invitations SET ended_at = now_at
     WHERE id = invitation AND workshop_id = workshop AND name = person_name AND role = person_role
       AND ended_at IS NULL AND until > now_at;
    IF NOT FOUND THEN
      RAISE EXCEPTION 'people come into a workshop by an invitation that is open';
    END IF;
  END IF;
  INSERT INTO users (id, workshop_id, login, name, role, password_hash)
  VALUES (person, workshop, person_login, person_name, person_role, hash);
END $$;

-- What a vehicle owes: what is open is opened once, and what is settled was open.
CREATE FUNCTION note_open_items(vehicle uuid, entries jsonb, said_at timestamptz, said_by text)
RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  e jsonb;
  place integer := (SELECT coalesce(max(position), 0) FROM open_item_entries WHERE vehicle_id = vehicle);
BEGIN
  FOR e IN SELECT value FROM jsonb_array_elements(entries) WITH ORDINALITY ORDER BY ordinality LOOP
    IF (e->>'entry' = 'settled') IS DISTINCT FROM
       EXISTS (SELECT 1 FROM open_items WHERE vehicle_id = vehicle AND open_item_id = e->'openItem'->>'id') THEN
      RAISE EXCEPTION 'what is settled was open, and what is opened was not';
    END IF;
    place := place + 1;
    INSERT INTO open_item_entries (vehicle_id, position, workshop_id, open_item_id, entry, weight, open_item, settled_by, at, person)
    SELECT v.id, place, v.workshop_id, e->'openItem'->>'id', e->>'entry', e->'openItem'->>'weight', e->'openItem', e->>'settledBy', said_at, said_by
      FROM vehicles v WHERE v.id = vehicle;
  END LOOP;
END $$;

-- Whether a vehicle may move: free only with nothing open that holds it, for a
-- drive only with a job in hand that set one.
CREATE FUNCTION set_drive(vehicle uuid, state text, since timestamptz, reason text)
RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  now_version integer;
BEGIN
  IF state = 'free' AND EXISTS (SELECT 1 FROM open_items WHERE vehicle_id = vehicle AND weight = 'holds') THEN
    RAISE EXCEPTION 'a vehicle is not free while something holds it';
  END IF;
  IF state = 'test drive only' AND NOT EXISTS (
    SELECT 1 FROM jobs j JOIN job_events e ON e.job_id = j.id
     WHERE j.vehicle_id = vehicle AND NOT j.closed AND e.event->>'kind' = 'drive set'
  ) THEN
    RAISE EXCEPTION 'a vehicle is out for a drive only with a job that set it';
  END IF;
  UPDATE vehicles SET drive_state = state, drive_since = since, drive_reason = reason, version = version + 1
   WHERE id = vehicle RETURNING version INTO now_version;
  RETURN now_version;
END $$;

-- What is told to every server process -----------------------------------------
-- Which job, and up to which position its log goes. Nothing of the job itself is
-- in the notice, which ends at 8,000 bytes; it goes out with the commit or not at all.

CREATE FUNCTION tell_log() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM pg_notify('brook_job', job_id || ' ' || max(position)) FROM added GROUP BY job_id;
  RETURN NULL;
END $$;
CREATE TRIGGER job_events_tell AFTER INSERT ON job_events
  REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION tell_log();
CREATE TRIGGER job_additions_tell AFTER INSERT ON job_additions
  REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION tell_log();
-- What is said of a vehicle elsewhere is told to the job in hand.
CREATE FUNCTION tell_vehicle() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM pg_notify('brook_job', j.id || ' 0')
    FROM jobs j WHERE NOT j.closed AND j.vehicle_id IN (SELECT vehicle_id FROM added WHERE job_id IS DISTINCT FROM j.id);
  RETURN NULL;
END $$;
CREATE TRIGGER vehicle_order_tell AFTER INSERT ON vehicle_order
  REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION tell_vehicle();
CREATE FUNCTION tell_job() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM pg_notify('brook_job', NEW.id || ' 0');
  RETURN NULL;
END $$;
CREATE TRIGGER jobs_tell AFTER UPDATE ON jobs
  FOR EACH ROW WHEN (OLD.version IS DISTINCT FROM NEW.version) EXECUTE FUNCTION tell_job();
-- What may be driven, and what is owed, is told to the whole workshop: its lists and the pages of its vehicles.
CREATE FUNCTION tell_workshop() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM pg_notify('brook_job', v.workshop_id || ' 0') FROM vehicles v
    WHERE v.id IN (SELECT vehicle_id FROM added) GROUP BY v.workshop_id;
  RETURN NULL;
END $$;
CREATE TRIGGER open_item_entries_tell AFTER INSERT ON open_item_entries
  REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION tell_workshop();
CREATE FUNCTION tell_drive() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM pg_notify('brook_job', NEW.workshop_id || ' 0');
  RETURN NULL;
END $$;
CREATE TRIGGER vehicles_tell AFTER UPDATE ON vehicles
  FOR EACH ROW WHEN ((OLD.drive_state, OLD.drive_reason) IS DISTINCT FROM (NEW.drive_state, NEW.drive_reason))
  EXECUTE FUNCTION tell_drive();
-- A session that is over is told by its hash: whoever has a line open by it is out.
CREATE FUNCTION tell_session() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM pg_notify('brook_job', encode(sha256(convert_to(OLD.sid, 'UTF8')), 'hex') || ' 0');
  RETURN NULL;
END $$;
CREATE TRIGGER sessions_tell AFTER DELETE ON sessions
  FOR EACH ROW EXECUTE FUNCTION tell_session();
CREATE FUNCTION tell_helper() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM pg_notify('brook_job', NEW.job_id || ' 0');
  RETURN NULL;
END $$;
CREATE TRIGGER helper_links_made AFTER INSERT ON helper_links
  FOR EACH ROW EXECUTE FUNCTION tell_helper();
CREATE TRIGGER helper_links_tell AFTER UPDATE ON helper_links
  FOR EACH ROW WHEN ((OLD.phase, OLD.opening_id, OLD.token_hash, OLD.ended_at) IS DISTINCT FROM (NEW.phase, NEW.opening_id, NEW.token_hash, NEW.ended_at))
  EXECUTE FUNCTION tell_helper();
