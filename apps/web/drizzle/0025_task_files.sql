CREATE TABLE "task_files" (
	"task_id" uuid NOT NULL,
	"part" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "task_files_task_id_part_pk" PRIMARY KEY("task_id","part")
);
--> statement-breakpoint
ALTER TABLE "task_files" ADD CONSTRAINT "task_files_task_id_tasks_id_fk" FOREIGN KEY ("task_id") REFERENCES "public"."tasks"("id") ON DELETE cascade ON UPDATE no action;