"""Run by Alembic with the connection that `store.Store.migrate` hands over."""

from alembic import context

from orthopsis.school.tables import Base

context.configure(connection=context.config.attributes["connection"], target_metadata=Base.metadata)
with context.begin_transaction():
    context.run_migrations()
