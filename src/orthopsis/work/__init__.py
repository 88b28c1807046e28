"""Long work: what waits in the database is done by an engine that exists already, Dask.

The database alone says what is left to do; here it is claimed for a time, handed to a process that
can be killed, and noted as failed, or claimed anew, when it did not come back. May import `school`
and what lies below. Start in `runner.py`.
"""
