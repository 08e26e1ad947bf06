ALTER TYPE "public"."check_kind" ADD VALUE 'promise';--> statement-breakpoint
CREATE TABLE "owners" (
	"vehicle_id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"reach" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "owners" ADD CONSTRAINT "owners_vehicle_id_vehicles_id_fk" FOREIGN KEY ("vehicle_id") REFERENCES "public"."vehicles"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
-- Who brings a vehicle is erased on demand: the ledger says that it changed, never what it was.
CREATE FUNCTION zh_ledger_owner() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  vehicle uuid := CASE WHEN TG_OP = 'DELETE' THEN OLD.vehicle_id ELSE NEW.vehicle_id END;
BEGIN
  INSERT INTO ledger (vehicle_id, who, role, what, op, place, reason) VALUES (
    vehicle, zh_said('who'), zh_said('role'), 'owner',
    CASE TG_OP WHEN 'UPDATE' THEN 'change' WHEN 'DELETE' THEN 'take-back' ELSE 'write' END::ledger_op,
    CASE WHEN TG_OP = 'DELETE' THEN 'owner erased' ELSE 'owner' END, zh_said('reason'));
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER owners_ledger AFTER INSERT OR UPDATE OR DELETE ON owners FOR EACH ROW EXECUTE FUNCTION zh_ledger_owner();
