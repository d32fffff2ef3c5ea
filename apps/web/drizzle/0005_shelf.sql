CREATE TABLE "shelf_versions" (
	"kind" text NOT NULL,
	"id" text NOT NULL,
	"version" integer NOT NULL,
	"document" jsonb NOT NULL,
	"person" text NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "shelf_versions_kind_id_version_pk" PRIMARY KEY("kind","id","version")
);
--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "materials" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
CREATE FUNCTION refuse_shelf_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'versions on the shelf are only ever added: add the next one instead';
END
$$;
--> statement-breakpoint
CREATE TRIGGER shelf_append_only BEFORE UPDATE OR DELETE ON shelf_versions
  FOR EACH ROW EXECUTE FUNCTION refuse_shelf_change();
