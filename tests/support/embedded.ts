/** These tests run on the embedded engine, whatever server there is beside it. */
delete process.env.TEST_PG;
