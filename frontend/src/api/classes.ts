import { useMutation, useQuery, useQueryClient } from "@tanstack/vue-query";
import { answered, api } from "./client";

/** Classes and who is in them. */
function useChange<Asked, Answer>(change: (asked: Asked) => Promise<Answer>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () =>
      Promise.all(
        ["classes", "register", "sheets", "lessons"].map((key) =>
          client.invalidateQueries({ queryKey: [key] }),
        ),
      ),
  });
}

const ofClass = (id: number) => ({ params: { path: { class_id: id } } });
const ofPupil = (id: number) => ({ params: { path: { pupil_id: id } } });
interface Named {
  id: number;
  name: string;
}
interface Left {
  id: number;
  left: boolean;
}

/** Classes that were put away, to be brought back. */
export const useClassesAway = () =>
  useQuery({
    queryKey: ["classes", "away"],
    queryFn: () => answered(api.GET("/api/classes", { params: { query: { away: true } } })),
  });

export const useAddClass = () =>
  useChange((name: string) => answered(api.POST("/api/classes", { body: { name } })));

export const useRenameClass = () =>
  useChange(({ id, name }: Named) =>
    answered(api.PUT("/api/classes/{class_id}/name", { ...ofClass(id), body: { name } })),
  );

export const usePutClassAway = () =>
  useChange(({ id, left }: Left) =>
    answered(api.PUT("/api/classes/{class_id}/left", { ...ofClass(id), body: { left } })),
  );

export const useAddPupils = () =>
  useChange(({ id, names }: { id: number; names: string[] }) =>
    answered(api.POST("/api/classes/{class_id}/pupils", { ...ofClass(id), body: { names } })),
  );

export const useRenamePupil = () =>
  useChange(({ id, name }: Named) =>
    answered(api.PUT("/api/pupils/{pupil_id}/name", { ...ofPupil(id), body: { name } })),
  );

export const useLeave = () =>
  useChange(({ id, left }: Left) =>
    answered(api.PUT("/api/pupils/{pupil_id}/left", { ...ofPupil(id), body: { left } })),
  );
