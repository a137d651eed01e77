-- Sheets and granules are recorded as job files of version 2 from now on, in which an id stands under "id". What is recorded stays as it is.
DROP TRIGGER mix_sheets_tank;
--> statement-breakpoint
CREATE TRIGGER mix_sheets_tank AFTER INSERT ON mix_sheets WHEN json_valid(new.job) BEGIN
  INSERT OR REPLACE INTO sheet_tanks (sheet_id, rig_id, tank, made_at) VALUES (new.id, new.rig_id, coalesce(json_extract(new.job, '$.tank'), json_extract(new.job, '$.rig.tanks[0].name'), 'main'), new.made_at);
  INSERT OR IGNORE INTO sheet_products (sheet_id, label_id) SELECT new.id, coalesce(json_extract(p.value, '$.id'), json_extract(p.value, '$."x-id"'), json_extract(p.value, '$.name')) FROM json_each(new.job, '$.products') p
    WHERE coalesce(json_extract(p.value, '$.id'), json_extract(p.value, '$."x-id"'), json_extract(p.value, '$.name')) IS NOT NULL;
END;
--> statement-breakpoint
DROP TRIGGER spreadings_sites;
--> statement-breakpoint
CREATE TRIGGER spreadings_sites AFTER INSERT ON spreadings BEGIN
  INSERT OR IGNORE INTO spreading_sites (spreading_id, site_id)
    SELECT new.id, coalesce(json_extract(one.value, '$.id'), json_extract(one.value, '$."x-id"')) FROM json_each(CASE WHEN json_valid(new.job) THEN new.job ELSE '{}' END, '$.sites') one
    WHERE coalesce(json_extract(one.value, '$.id'), json_extract(one.value, '$."x-id"')) IN (SELECT id FROM sites);
END;
