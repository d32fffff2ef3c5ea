-- Field records are only ever added. Deleting a whole job (pg_trigger_depth > 1, by cascade) stays possible.
CREATE FUNCTION refuse_entry_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' AND pg_trigger_depth() > 1 THEN
    RETURN OLD;
  END IF;
  RAISE EXCEPTION 'entries are only ever added: write an undo entry instead';
END
$$;
--> statement-breakpoint
CREATE TRIGGER entries_append_only BEFORE UPDATE OR DELETE ON entries
  FOR EACH ROW EXECUTE FUNCTION refuse_entry_change();
