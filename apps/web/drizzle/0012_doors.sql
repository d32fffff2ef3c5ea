CREATE TABLE "audit" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"action" text NOT NULL,
	"user_id" uuid,
	"job_id" text,
	"about" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "tasks" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"user_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"share" real DEFAULT 0 NOT NULL,
	"seen_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"name" text DEFAULT '' NOT NULL,
	"result" jsonb,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "tokens" (
	"hash" text PRIMARY KEY NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"kind" text NOT NULL,
	"job_id" text,
	"role" text,
	"user_id" uuid,
	"made_by" uuid,
	"made_at" timestamp (3) with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp (3) with time zone NOT NULL,
	"used_at" timestamp (3) with time zone,
	"revoked_at" timestamp (3) with time zone
);
--> statement-breakpoint
CREATE TABLE "tries" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
INSERT INTO "tokens" ("hash", "kind", "job_id", "role", "expires_at", "used_at")
SELECT "token_hash", 'invitation', "job_id", "role", "expires_at", "used_at" FROM "invites";
--> statement-breakpoint
DROP TABLE "invites" CASCADE;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "deleted_at" timestamp (3) with time zone;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "id" uuid DEFAULT gen_random_uuid() NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "created_at" timestamp (3) with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "agent" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "users" ADD COLUMN "keeps_shelf" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "tasks" ADD CONSTRAINT "tasks_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tokens" ADD CONSTRAINT "tokens_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tokens" ADD CONSTRAINT "tokens_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_job" ON "audit" USING btree ("job_id","at");--> statement-breakpoint
CREATE INDEX "tasks_user" ON "tasks" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "tokens_job" ON "tokens" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "tries_key" ON "tries" USING btree ("key","at");--> statement-breakpoint
CREATE TRIGGER audit_append_only BEFORE UPDATE OR DELETE ON "audit"
  FOR EACH ROW EXECUTE FUNCTION refuse_record_change();
--> statement-breakpoint
-- Whoever wrote on the shelf of all jobs, or was here first, goes on keeping it.
UPDATE "users" SET "keeps_shelf" = true
WHERE "id" IN (SELECT "user_id" FROM "shelf_versions") OR "id" = (SELECT "id" FROM "users" ORDER BY "created_at", "id" LIMIT 1);
