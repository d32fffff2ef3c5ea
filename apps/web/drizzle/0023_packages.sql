CREATE TABLE "foreign_logs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"job_id" text NOT NULL,
	"user_id" uuid,
	"file" text NOT NULL,
	"log" text NOT NULL,
	"manifest" text NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "package_parts" (
	"package_id" uuid NOT NULL,
	"from_bytes" bigint NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "package_parts_package_id_from_bytes_pk" PRIMARY KEY("package_id","from_bytes")
);
--> statement-breakpoint
CREATE TABLE "packages" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"user_id" uuid NOT NULL,
	"name" text NOT NULL,
	"size_bytes" bigint NOT NULL,
	"at" timestamp (3) with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "foreign_logs" ADD CONSTRAINT "foreign_logs_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "package_parts" ADD CONSTRAINT "package_parts_package_id_packages_id_fk" FOREIGN KEY ("package_id") REFERENCES "public"."packages"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "packages" ADD CONSTRAINT "packages_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "foreign_logs_job" ON "foreign_logs" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "packages_user" ON "packages" USING btree ("user_id");--> statement-breakpoint
CREATE TRIGGER foreign_logs_append_only BEFORE UPDATE OR DELETE ON "foreign_logs"
  FOR EACH ROW EXECUTE FUNCTION refuse_record_change();
