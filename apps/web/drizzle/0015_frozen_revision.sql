ALTER TABLE "openings" ADD COLUMN "planned" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
-- What a device has of frozen plans is not known from before: it asks once more for all of them.
UPDATE "openings" SET "planned" = "revision";
