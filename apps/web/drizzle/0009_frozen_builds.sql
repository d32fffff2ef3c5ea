-- A frozen plan from before walls were kept is given its own once; nothing else of it ever changes.
CREATE FUNCTION refuse_issue_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' AND pg_trigger_depth() > 1 THEN
    RETURN OLD;
  END IF;
  IF TG_OP = 'UPDATE' AND NOT OLD.document ? 'build' AND NEW.document - 'build' = OLD.document
    AND (NEW.job_id, NEW.opening_id, NEW.version) = (OLD.job_id, OLD.opening_id, OLD.version) THEN
    RETURN NEW;
  END IF;
  RAISE EXCEPTION 'frozen plans are only ever added';
END
$$;
--> statement-breakpoint
DROP TRIGGER plan_issues_append_only ON plan_issues;
--> statement-breakpoint
CREATE TRIGGER plan_issues_append_only BEFORE UPDATE OR DELETE ON plan_issues
  FOR EACH ROW EXECUTE FUNCTION refuse_issue_change();
