CREATE TABLE `ground_boxes` (
	`id` text PRIMARY KEY NOT NULL,
	`site_id` text NOT NULL,
	`gate` integer NOT NULL,
	`south` real NOT NULL,
	`north` real NOT NULL,
	`west` real NOT NULL,
	`east` real NOT NULL
);
--> statement-breakpoint
CREATE INDEX `ground_boxes_south` ON `ground_boxes` (`south`,`north`,`west`,`east`);--> statement-breakpoint
ALTER TABLE `same_ground` ADD `why` text;
--> statement-breakpoint
INSERT OR REPLACE INTO ground_boxes (id, site_id, gate, south, north, west, east)
  SELECT z.id, z.site_id, 0, min(json_extract(at.value, '$[1]')), max(json_extract(at.value, '$[1]')), min(json_extract(at.value, '$[0]')), max(json_extract(at.value, '$[0]'))
  FROM zones z, json_each(CASE WHEN json_valid(z.measured) THEN z.measured ELSE '{}' END, '$.map.polygons') polygon, json_each(polygon.value) ring, json_each(ring.value) at
  WHERE z.measured IS NOT NULL GROUP BY z.id;
--> statement-breakpoint
INSERT OR REPLACE INTO ground_boxes (id, site_id, gate, south, north, west, east)
  SELECT s.id, s.id, 1, cast(trim(replace(replace(s.gate, ';', ' '), ',', ' ')) AS real), cast(trim(replace(replace(s.gate, ';', ' '), ',', ' ')) AS real), cast(ltrim(substr(trim(replace(replace(s.gate, ';', ' '), ',', ' ')), instr(trim(replace(replace(s.gate, ';', ' '), ',', ' ')), ' '))) AS real), cast(ltrim(substr(trim(replace(replace(s.gate, ';', ' '), ',', ' ')), instr(trim(replace(replace(s.gate, ';', ' '), ',', ' ')), ' '))) AS real) FROM sites s WHERE s.gate IS NOT NULL;
--> statement-breakpoint
CREATE TRIGGER zones_box_new AFTER INSERT ON zones BEGIN
  DELETE FROM ground_boxes WHERE id = new.id;
  INSERT OR REPLACE INTO ground_boxes (id, site_id, gate, south, north, west, east)
  SELECT new.id, new.site_id, 0, min(json_extract(at.value, '$[1]')), max(json_extract(at.value, '$[1]')), min(json_extract(at.value, '$[0]')), max(json_extract(at.value, '$[0]'))
  FROM json_each(CASE WHEN json_valid(new.measured) THEN new.measured ELSE '{}' END, '$.map.polygons') polygon, json_each(polygon.value) ring, json_each(ring.value) at
  WHERE new.measured IS NOT NULL HAVING count(*) > 0;
END;
--> statement-breakpoint
CREATE TRIGGER zones_box_again AFTER UPDATE OF measured ON zones BEGIN
  DELETE FROM ground_boxes WHERE id = new.id;
  INSERT OR REPLACE INTO ground_boxes (id, site_id, gate, south, north, west, east)
  SELECT new.id, new.site_id, 0, min(json_extract(at.value, '$[1]')), max(json_extract(at.value, '$[1]')), min(json_extract(at.value, '$[0]')), max(json_extract(at.value, '$[0]'))
  FROM json_each(CASE WHEN json_valid(new.measured) THEN new.measured ELSE '{}' END, '$.map.polygons') polygon, json_each(polygon.value) ring, json_each(ring.value) at
  WHERE new.measured IS NOT NULL HAVING count(*) > 0;
END;
--> statement-breakpoint
CREATE TRIGGER sites_gate_new AFTER INSERT ON sites BEGIN
  DELETE FROM ground_boxes WHERE id = new.id;
  INSERT OR REPLACE INTO ground_boxes (id, site_id, gate, south, north, west, east)
  SELECT new.id, new.id, 1, cast(trim(replace(replace(new.gate, ';', ' '), ',', ' ')) AS real), cast(trim(replace(replace(new.gate, ';', ' '), ',', ' ')) AS real), cast(ltrim(substr(trim(replace(replace(new.gate, ';', ' '), ',', ' ')), instr(trim(replace(replace(new.gate, ';', ' '), ',', ' ')), ' '))) AS real), cast(ltrim(substr(trim(replace(replace(new.gate, ';', ' '), ',', ' ')), instr(trim(replace(replace(new.gate, ';', ' '), ',', ' ')), ' '))) AS real) WHERE new.gate IS NOT NULL;
END;
--> statement-breakpoint
CREATE TRIGGER sites_gate_again AFTER UPDATE OF gate ON sites BEGIN
  DELETE FROM ground_boxes WHERE id = new.id;
  INSERT OR REPLACE INTO ground_boxes (id, site_id, gate, south, north, west, east)
  SELECT new.id, new.id, 1, cast(trim(replace(replace(new.gate, ';', ' '), ',', ' ')) AS real), cast(trim(replace(replace(new.gate, ';', ' '), ',', ' ')) AS real), cast(ltrim(substr(trim(replace(replace(new.gate, ';', ' '), ',', ' ')), instr(trim(replace(replace(new.gate, ';', ' '), ',', ' ')), ' '))) AS real), cast(ltrim(substr(trim(replace(replace(new.gate, ';', ' '), ',', ' ')), instr(trim(replace(replace(new.gate, ';', ' '), ',', ' ')), ' '))) AS real) WHERE new.gate IS NOT NULL;
END;
