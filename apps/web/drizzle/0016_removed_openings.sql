ALTER TABLE "openings" ADD COLUMN "removed_at" timestamp (3) with time zone;--> statement-breakpoint
ALTER TABLE "openings" ADD COLUMN "removed_by" uuid;--> statement-breakpoint
ALTER TABLE "openings" ADD CONSTRAINT "openings_removed_by_users_id_fk" FOREIGN KEY ("removed_by") REFERENCES "public"."users"("id") ON DELETE set null ON UPDATE no action;