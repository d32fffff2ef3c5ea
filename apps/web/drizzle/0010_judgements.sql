CREATE TABLE "judgements" (
	"job_id" text NOT NULL,
	"opening_id" text NOT NULL,
	"mark" text NOT NULL,
	"engine" text NOT NULL,
	"collides" boolean NOT NULL,
	"judgement" jsonb NOT NULL,
	CONSTRAINT "judgements_job_id_opening_id_pk" PRIMARY KEY("job_id","opening_id")
);
--> statement-breakpoint
ALTER TABLE "judgements" ADD CONSTRAINT "judgements_job_id_opening_id_openings_job_id_id_fk" FOREIGN KEY ("job_id","opening_id") REFERENCES "public"."openings"("job_id","id") ON DELETE cascade ON UPDATE no action;