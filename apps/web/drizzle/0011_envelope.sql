CREATE TABLE "brought" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" text NOT NULL,
	"name" text NOT NULL,
	"user_id" uuid,
	"file" text DEFAULT '' NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "brought_id" uuid;--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "device" uuid;--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "count" integer;--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "previous" text;--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "salts" jsonb;--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "clock_s" integer;--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "app" text;--> statement-breakpoint
ALTER TABLE "heat_runs" ADD COLUMN "user_id" uuid;--> statement-breakpoint
ALTER TABLE "opening_versions" ADD COLUMN "user_id" uuid;--> statement-breakpoint
ALTER TABLE "opening_versions" ADD COLUMN "brought_id" uuid;--> statement-breakpoint
ALTER TABLE "plan_issues" ADD COLUMN "user_id" uuid;--> statement-breakpoint
ALTER TABLE "plan_issues" ADD COLUMN "brought_id" uuid;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "brought_id" uuid;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "device" uuid;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "count" integer;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "previous" text;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "salts" jsonb;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "clock_s" integer;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "app" text;--> statement-breakpoint
ALTER TABLE "shelf_versions" ADD COLUMN "user_id" uuid;--> statement-breakpoint
ALTER TABLE "brought" ADD CONSTRAINT "brought_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "brought_job" ON "brought" USING btree ("job_id");--> statement-breakpoint
-- Whoever is named in a record without an account came in with a file.
INSERT INTO "brought" ("job_id", "name")
SELECT "job_id", "person" FROM "entries" WHERE "user_id" IS NULL
UNION SELECT "job_id", "person" FROM "readings" WHERE "user_id" IS NULL;
--> statement-breakpoint
-- Choices and frozen plans kept a name only: that of a member where one bears it, otherwise of somebody not known here.
CREATE TEMPORARY TABLE "named_member" AS
SELECT m."job_id", u."name", min(u."id"::text)::uuid AS "user_id" FROM "members" m JOIN "users" u ON u."id" = m."user_id"
GROUP BY m."job_id", u."name" HAVING count(*) = 1;
--> statement-breakpoint
INSERT INTO "brought" ("job_id", "name")
SELECT n."job_id", n."name" FROM (
  SELECT "job_id", "person" AS "name" FROM "opening_versions" WHERE "person" <> ''
  UNION SELECT "job_id", "document" ->> 'person' FROM "plan_issues" WHERE "document" ? 'person'
) n
WHERE NOT EXISTS (SELECT FROM "named_member" m WHERE m."job_id" = n."job_id" AND m."name" = n."name")
  AND NOT EXISTS (SELECT FROM "brought" b WHERE b."job_id" = n."job_id" AND b."name" = n."name");
--> statement-breakpoint
ALTER TABLE "entries" DISABLE TRIGGER USER;--> statement-breakpoint
ALTER TABLE "readings" DISABLE TRIGGER USER;--> statement-breakpoint
ALTER TABLE "opening_versions" DISABLE TRIGGER USER;--> statement-breakpoint
ALTER TABLE "plan_issues" DISABLE TRIGGER USER;--> statement-breakpoint
UPDATE "entries" e SET "brought_id" = b."id" FROM "brought" b
WHERE e."user_id" IS NULL AND b."job_id" = e."job_id" AND b."name" = e."person";
--> statement-breakpoint
UPDATE "readings" r SET "brought_id" = b."id" FROM "brought" b
WHERE r."user_id" IS NULL AND b."job_id" = r."job_id" AND b."name" = r."person";
--> statement-breakpoint
UPDATE "opening_versions" v SET "user_id" = m."user_id" FROM "named_member" m
WHERE m."job_id" = v."job_id" AND m."name" = v."person";
--> statement-breakpoint
UPDATE "opening_versions" v SET "brought_id" = b."id" FROM "brought" b
WHERE v."user_id" IS NULL AND b."job_id" = v."job_id" AND b."name" = v."person";
--> statement-breakpoint
UPDATE "plan_issues" p SET "user_id" = m."user_id" FROM "named_member" m
WHERE m."job_id" = p."job_id" AND m."name" = p."document" ->> 'person';
--> statement-breakpoint
UPDATE "plan_issues" p SET "brought_id" = b."id" FROM "brought" b
WHERE p."user_id" IS NULL AND b."job_id" = p."job_id" AND b."name" = p."document" ->> 'person';
--> statement-breakpoint
UPDATE "plan_issues" SET "document" = "document" - 'person';--> statement-breakpoint
UPDATE "shelf_versions" s SET "user_id" = u."id" FROM "users" u
WHERE u."name" = s."person" AND (SELECT count(*) FROM "users" o WHERE o."name" = s."person") = 1;
--> statement-breakpoint
UPDATE "heat_runs" h SET "user_id" = m."user_id" FROM "named_member" m
WHERE m."job_id" = h."job_id" AND m."name" = h."person";
--> statement-breakpoint
DROP TABLE "named_member";--> statement-breakpoint
ALTER TABLE "entries" ENABLE TRIGGER USER;--> statement-breakpoint
ALTER TABLE "readings" ENABLE TRIGGER USER;--> statement-breakpoint
ALTER TABLE "opening_versions" ENABLE TRIGGER USER;--> statement-breakpoint
ALTER TABLE "plan_issues" ENABLE TRIGGER USER;--> statement-breakpoint
ALTER TABLE "entries" DROP COLUMN "person";--> statement-breakpoint
ALTER TABLE "heat_runs" DROP COLUMN "person";--> statement-breakpoint
ALTER TABLE "opening_versions" DROP COLUMN "person";--> statement-breakpoint
ALTER TABLE "readings" DROP COLUMN "person";--> statement-breakpoint
ALTER TABLE "shelf_versions" DROP COLUMN "person";