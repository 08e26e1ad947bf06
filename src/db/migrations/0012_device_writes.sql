CREATE TABLE "device_writes" (
	"device" uuid NOT NULL,
	"place" text NOT NULL,
	"number" bigint NOT NULL,
	"answer" jsonb,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "device_writes_device_place_pk" PRIMARY KEY("device","place")
);
--> statement-breakpoint
CREATE INDEX "device_writes_at" ON "device_writes" USING btree ("at");