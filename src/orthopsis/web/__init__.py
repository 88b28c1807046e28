"""The web side: FastAPI routes over the core and the school; no rule of the job lives here.

Start with `app.create_app`; `serve` runs it beside its private database.
"""
