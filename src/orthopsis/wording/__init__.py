"""Every sentence that a user reads from the core: phrases by id, said in one language file.

`english.ftl` has the words, in Project Fluent's syntax; another language is another such file.
`words` says a phrase in a teacher's own units, terms and reading level (`choices`). Imports phrases
alone; nothing that draws imports it. Start with `words`.
"""
