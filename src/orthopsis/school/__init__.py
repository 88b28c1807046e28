"""The school's records in MariaDB: teachers, classes, pupils, exercises, lessons, sheets, marks.

Every row belongs to a teacher, and every query is asked for one teacher. Start with `tables`;
`shelf`, `lessons` and `register` are what the web asks for; `private_db` runs the database.
"""
