-- What is left of a customer who wants to be forgotten. Made anew whenever this file changes: a table
-- that gets personal data gets its line here.
DELIMITER //
CREATE OR REPLACE PROCEDURE erase_customer(customer BIGINT, moment DATETIME(6))
SQL SECURITY DEFINER MODIFIES SQL DATA
BEGIN
  UPDATE customer SET display_name = CONCAT('Erased customer ', id), phone = NULL, email = NULL,
    language = NULL, erased_at = moment WHERE id = customer;
  UPDATE sealed_secret s JOIN intake i ON i.id = s.intake_id JOIN job j ON j.id = i.job_id
    SET s.sealed = NULL, s.nonce = NULL, s.wiped_at = COALESCE(s.wiped_at, moment) WHERE j.customer_id = customer;
  UPDATE intake i JOIN job j ON j.id = i.job_id
    SET i.answers = '{}', i.applied = '{}', i.field_versions = '{}' WHERE j.customer_id = customer;
  UPDATE intake SET answers = '{}', field_versions = '{}', dropped_at = COALESCE(dropped_at, moment)
    WHERE job_id IS NULL AND JSON_VALUE(answers, '$.customerId') = customer;
  UPDATE data_status_entry s JOIN job j ON j.id = s.job_id SET s.signer = 'erased'
    WHERE j.customer_id = customer AND s.signer IS NOT NULL;
  UPDATE journal_entry t JOIN job j ON j.id = t.job_id SET t.detail = 'erased on request'
    WHERE j.customer_id = customer AND t.kind NOT IN ('READING', 'PROBE', 'PART', 'BAY');
  -- Titles of these have what was typed, or who signed.
  UPDATE journal_entry t JOIN job j ON j.id = t.job_id
    SET t.title = CASE t.kind WHEN 'INTAKE' THEN 'Taken in' WHEN 'DATA_STATUS' THEN 'Said of the data'
      WHEN 'CHANGE' THEN 'Changed something' WHEN 'CHECK' THEN 'Checked' WHEN 'WAIT' THEN 'Waited'
      WHEN 'PHOTO' THEN 'Photo' WHEN 'RUN' THEN 'A run' WHEN 'MOVE' THEN 'A move' ELSE 'Ended' END
    WHERE j.customer_id = customer AND t.kind IN ('INTAKE', 'DATA_STATUS', 'CHANGE', 'CHECK', 'WAIT', 'PHOTO', 'RUN', 'MOVE', 'END');
  UPDATE photo p JOIN job j ON j.id = p.job_id SET p.words = '', p.gone_at = COALESCE(p.gone_at, moment)
    WHERE j.customer_id = customer;
  UPDATE job_change c JOIN job j ON j.id = c.job_id SET c.note = NULL, c.what = 'erased on request' WHERE j.customer_id = customer;
  UPDATE job_move m JOIN job j ON j.id = m.job_id SET m.note = 'erased on request'
    WHERE j.customer_id = customer AND m.note <> '';
  UPDATE job_trial t JOIN job j ON j.id = t.job_id SET t.note = 'erased on request'
    WHERE j.customer_id = customer AND t.note <> '';
  UPDATE proof_waiver w JOIN job j ON j.id = w.job_id SET w.signer = 'erased'
    WHERE j.customer_id = customer;
  UPDATE notice n JOIN job j ON j.id = n.job_id SET n.words = 'erased' WHERE j.customer_id = customer;
  UPDATE job SET complaint = 'erased on request', error_text = NULL, waits_note = NULL, version = version + 1
    WHERE customer_id = customer;
  UPDATE data_status_entry s JOIN job j ON j.id = s.job_id SET s.wording = 'erased on request'
    WHERE j.customer_id = customer AND s.wording IS NOT NULL;
  UPDATE data_waiver w JOIN job j ON j.id = w.job_id
    SET w.signer = 'erased', w.signature = NULL, w.wording = 'erased on request', w.holdings = '[]'
    WHERE j.customer_id = customer;
  UPDATE proof_waiver w JOIN job j ON j.id = w.job_id SET w.wording = 'erased on request'
    WHERE j.customer_id = customer;
  UPDATE decision r JOIN job j ON j.id = r.job_id SET r.reason = 'erased on request', r.weighing = '{}',
    r.plan = NULL
    WHERE j.customer_id = customer;
  UPDATE part_supply s JOIN job j ON j.id = s.job_id SET s.words = 'erased on request', s.supplier = ''
    WHERE j.customer_id = customer;
  UPDATE old_part o JOIN job j ON j.id = o.job_id SET o.note = '' WHERE j.customer_id = customer;
  UPDATE hand_back h JOIN job j ON j.id = h.job_id SET h.taken_by = 'erased', h.strokes = NULL, h.note = ''
    WHERE j.customer_id = customer;
  UPDATE approval a JOIN job j ON j.id = a.job_id SET a.signer = 'erased', a.note = ''
    WHERE j.customer_id = customer;
  DELETE o FROM job_own_move o JOIN job j ON j.id = o.job_id WHERE j.customer_id = customer;
  UPDATE job_finding s JOIN job j ON j.id = s.job_id SET s.words = 'erased on request'
    WHERE j.customer_id = customer AND s.origin = 'intake';
  UPDATE isolation_start t JOIN isolation_setup s ON s.id = t.setup_id JOIN job j ON j.id = s.job_id
    SET t.note = '' WHERE j.customer_id = customer;
  -- What runs found of their files: names of folders and files tell of people.
  UPDATE link_event e JOIN run r ON r.probe_id = e.probe_id JOIN job j ON j.id = r.job_id
    SET e.body = NULL WHERE j.customer_id = customer AND LOCATE(r.id, e.body) > 0;
  UPDATE run_result x JOIN run r ON r.id = x.run_id JOIN job j ON j.id = r.job_id
    SET x.result = NULL, x.why = '' WHERE j.customer_id = customer AND r.kind NOT IN
    ('SURFACE_SCAN', 'SURFACE_SAMPLE', 'SELF_TEST_SHORT', 'SELF_TEST_EXTENDED', 'SELF_TEST_CONVEYANCE',
    'MEMORY_TEST', 'MEMORY_TEST_LONG', 'DISCHARGE', 'CHARGE');
  UPDATE run r JOIN job j ON j.id = r.job_id SET r.result = NULL, r.copy_order = NULL
    WHERE j.customer_id = customer AND r.kind NOT IN
    ('SURFACE_SCAN', 'SURFACE_SAMPLE', 'SELF_TEST_SHORT', 'SELF_TEST_EXTENDED', 'SELF_TEST_CONVEYANCE',
    'MEMORY_TEST', 'MEMORY_TEST_LONG', 'DISCHARGE', 'CHARGE');
  UPDATE audit_entry a JOIN job j ON j.number = a.subject SET a.detail = 'erased on request'
    WHERE j.customer_id = customer AND a.kind LIKE 'WAIVER%';
  DELETE w FROM job_word w JOIN job j ON j.id = w.job_id WHERE j.customer_id = customer;
END //
DELIMITER ;

GRANT EXECUTE ON PROCEDURE erase_customer TO ${appUser};
