ALTER TABLE "openings" ADD COLUMN "revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
-- What was stored before is as new as the job itself: a device that has less asks for all of it.
UPDATE "openings" o SET "revision" = j."revision" FROM "jobs" j WHERE j."id" = o."job_id";
