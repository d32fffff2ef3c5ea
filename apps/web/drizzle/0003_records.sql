CREATE TABLE "opening_versions" (
	"job_id" text NOT NULL,
	"opening_id" text NOT NULL,
	"version" integer NOT NULL,
	"document" jsonb NOT NULL,
	"person" text DEFAULT '' NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "opening_versions_job_id_opening_id_version_pk" PRIMARY KEY("job_id","opening_id","version")
);
--> statement-breakpoint
CREATE TABLE "photos" (
	"id" uuid PRIMARY KEY NOT NULL,
	"bytes" "bytea" NOT NULL
);
--> statement-breakpoint
CREATE TABLE "readings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"opening_id" text NOT NULL,
	"point" text NOT NULL,
	"seen_from" text NOT NULL,
	"value" jsonb,
	"replaces" jsonb NOT NULL,
	"instrument" text NOT NULL,
	"person" text NOT NULL,
	"user_id" uuid,
	"at" timestamp (3) with time zone,
	"received_at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "photo" jsonb;--> statement-breakpoint
ALTER TABLE "opening_versions" ADD CONSTRAINT "opening_versions_job_id_opening_id_openings_job_id_id_fk" FOREIGN KEY ("job_id","opening_id") REFERENCES "public"."openings"("job_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_id_entries_id_fk" FOREIGN KEY ("id") REFERENCES "public"."entries"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_job_id_opening_id_openings_job_id_id_fk" FOREIGN KEY ("job_id","opening_id") REFERENCES "public"."openings"("job_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "readings_opening" ON "readings" USING btree ("job_id","opening_id");--> statement-breakpoint
-- What stood in the openings so far becomes their version, and its survey figures become readings of unknown time.
INSERT INTO "opening_versions" ("job_id", "opening_id", "version", "document")
SELECT "job_id", "id", "version", jsonb_set("document", '{survey}', ("document" -> 'survey') - 'values') FROM "openings";
--> statement-breakpoint
INSERT INTO "readings" ("id", "job_id", "opening_id", "point", "seen_from", "value", "replaces", "instrument", "person")
SELECT gen_random_uuid(), o."job_id", o."id", v.key, o."document" #>> '{survey,from}', v.value, '[]', 'tape', 'not recorded'
FROM "openings" o CROSS JOIN LATERAL jsonb_each(o."document" #> '{survey,values}') v;
--> statement-breakpoint
ALTER TABLE "openings" DROP COLUMN "document";
--> statement-breakpoint
-- Records are only ever added. Deleting a whole job (pg_trigger_depth > 1, by cascade) stays possible.
CREATE FUNCTION refuse_record_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' AND pg_trigger_depth() > 1 THEN
    RETURN OLD;
  END IF;
  RAISE EXCEPTION '% are only ever added', TG_TABLE_NAME;
END
$$;
--> statement-breakpoint
CREATE TRIGGER readings_append_only BEFORE UPDATE OR DELETE ON "readings"
  FOR EACH ROW EXECUTE FUNCTION refuse_record_change();
--> statement-breakpoint
CREATE TRIGGER opening_versions_append_only BEFORE UPDATE OR DELETE ON "opening_versions"
  FOR EACH ROW EXECUTE FUNCTION refuse_record_change();
--> statement-breakpoint
CREATE TRIGGER photos_append_only BEFORE UPDATE OR DELETE ON "photos"
  FOR EACH ROW EXECUTE FUNCTION refuse_record_change();
--> statement-breakpoint
CREATE TRIGGER plan_issues_append_only BEFORE UPDATE OR DELETE ON "plan_issues"
  FOR EACH ROW EXECUTE FUNCTION refuse_record_change();
